import { arrowStep } from '../../../controls/arrows';
import { useChoice } from '../../../frame/choice';
import { useDesk } from '../../../live/useShoot';
import { colours, mono } from '../../../theme/theme';
import { stopsText } from './meterWords';
import { movePin, useMeterChoice, useReadings } from './useMeter';

interface Props {
  width: number;
  height: number;
  scale: number;
}

const NUDGE = 0.01;

/** The pins over the picture with their stops; arrow keys move the one that has the focus. */
export function PinMarks({ width, height, scale }: Props) {
  const desk = useDesk();
  const { data } = useReadings();
  const chosen = useMeterChoice((c) => c.pin);
  const armed = useChoice((c) => c.armed !== null);
  const { pins } = desk.document.meter;
  if (width < 64) return null;
  return (
    <>
      {pins.map((pin, i) => {
        const reading = data?.pins.find((r) => r.id === pin.id);
        if (reading?.state !== 'SEEN') return null;
        const lit = pin.id === chosen;
        const size = 12 / scale;
        return (
          <button
            key={pin.id}
            type="button"
            aria-label={`${pin.name} in the picture`}
            onPointerDown={(e) => e.stopPropagation()}
            onClick={() => useMeterChoice.setState({ pin: pin.id })}
            onKeyDown={(e) => {
              const step = arrowStep(e.key);
              if (!step) return;
              e.preventDefault();
              void movePin(desk, pin, reading.x + NUDGE * step[0], reading.y - NUDGE * step[1]);
            }}
            style={{
              position: 'absolute',
              left: reading.x * width - size / 2,
              top: reading.y * height - size / 2,
              height: size,
              padding: 0,
              display: 'flex',
              alignItems: 'center',
              gap: 4 / scale,
              border: 'none',
              background: 'none',
              pointerEvents: armed ? 'none' : 'all',
              cursor: 'pointer',
              fontFamily: mono,
              fontSize: 11 / scale,
              whiteSpace: 'nowrap',
            }}
          >
            <span
              style={{
                width: size,
                height: size,
                boxSizing: 'border-box',
                borderRadius: size,
                border: `${2 / scale}px solid ${lit ? colours.ember : '#fff'}`,
                outline: `${1 / scale}px solid #000000a0`,
              }}
            />
            <span
              style={{
                padding: `0 ${4 / scale}px`,
                borderRadius: 4 / scale,
                background: '#1f1f1fd0',
                color: lit ? colours.ember : '#fff',
              }}
            >
              {i + 1} {stopsText(reading.stops)}
            </span>
          </button>
        );
      })}
    </>
  );
}
