import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { formatStops } from '../controls/quantity';
import { colours } from '../theme/theme';
import { detent, toPlace, toStops } from './fader';

interface Props {
  name: string;
  value: number;
  onTry: (stops: number) => void;
  onKeep: () => void;
}

const MARKS = [-10, -6, -3, -1, 0, 1, 3, 6, 10];
const KNOB = 12;
const WHEEL_REST_MILLIS = 400;
/** How long the knob stays where the hand left it, for the document to follow. */
const LET_GO_MILLIS = 250;

/** An upright fader in stops with detents at thirds; shift moves freely, double click goes to 0. */
export function Fader({ name, value, onTry, onKeep }: Props) {
  const track = useRef<HTMLDivElement>(null);
  const drag = useRef<{ y: number; place: number } | null>(null);
  /** Where the hand holds the knob, which the document follows. */
  const [held, setHeld] = useState<number | null>(null);
  /** Where the wheel has got to, before the document follows. */
  const wheeled = useRef<number | null>(null);
  const letGo = useRef<ReturnType<typeof setTimeout>>(undefined);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef({ value, onTry, onKeep });
  useEffect(() => {
    latest.current = { value, onTry, onKeep };
  });

  useEffect(() => {
    const node = track.current;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const now = latest.current;
      wheeled.current = detent((wheeled.current ?? now.value) - Math.sign(event.deltaY) / 3);
      now.onTry(wheeled.current);
      clearTimeout(rest.current);
      rest.current = setTimeout(() => {
        wheeled.current = null;
        latest.current.onKeep();
      }, WHEEL_REST_MILLIS);
    };
    node?.addEventListener('wheel', wheel, { passive: false });
    return () => node?.removeEventListener('wheel', wheel);
  }, []);

  const down = (e: PointerEvent<HTMLDivElement>) => {
    if (e.button !== 0) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    drag.current = { y: e.clientY, place: toPlace(held ?? value) };
    clearTimeout(letGo.current);
    setHeld(held ?? value);
  };
  const move = (e: PointerEvent<HTMLDivElement>) => {
    const from = drag.current;
    if (!from) return;
    const half = (e.currentTarget.clientHeight - KNOB) / 2;
    const place = Math.min(1, Math.max(-1, from.place - (e.clientY - from.y) / half));
    const stops = toStops(place);
    const next = e.shiftKey ? stops : detent(stops);
    if (Math.abs(next - (held ?? latest.current.value)) > 1e-6) {
      setHeld(next);
      onTry(next);
    }
  };
  const up = () => {
    if (drag.current && held !== null && Math.abs(toStops(drag.current.place) - held) > 1e-6) {
      onKeep();
    }
    drag.current = null;
    letGo.current = setTimeout(() => setHeld(null), LET_GO_MILLIS);
  };
  const set = (stops: number) => {
    onTry(detent(stops));
    onKeep();
  };

  const at = (stops: number) => `calc((100% - ${KNOB}px) * ${(1 - toPlace(stops)) / 2})`;
  return (
    <Box
      ref={track}
      role="slider"
      tabIndex={0}
      aria-label={`${name} level`}
      aria-orientation="vertical"
      aria-valuemin={-10}
      aria-valuemax={10}
      aria-valuenow={Math.round(value * 100) / 100}
      aria-valuetext={`${formatStops(value)} stops`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onDoubleClick={() => set(0)}
      onKeyDown={(e) => {
        const by = { ArrowUp: 1 / 3, ArrowDown: -1 / 3, PageUp: 1, PageDown: -1 }[e.key];
        if (by !== undefined) {
          e.preventDefault();
          set(value + by);
        } else if (e.key === 'Home') {
          set(0);
        }
      }}
      sx={{
        position: 'relative',
        width: 34,
        height: '100%',
        touchAction: 'none',
        cursor: 'ns-resize',
        userSelect: 'none',
      }}
    >
      <Box
        sx={{
          position: 'absolute',
          left: 9,
          top: KNOB / 2,
          bottom: KNOB / 2,
          width: 2,
          bgcolor: colours.line,
        }}
      />
      {MARKS.map((m) => (
        <Box
          key={m}
          sx={{
            position: 'absolute',
            left: m === 0 ? 3 : 6,
            width: m === 0 ? 14 : 8,
            height: '1px',
            top: `calc(${at(m)} + ${KNOB / 2}px)`,
            bgcolor: m === 0 ? colours.quiet : colours.line,
          }}
        />
      ))}
      {[-6, -3, 0, 3, 6].map((m) => (
        <Box
          key={m}
          aria-hidden
          sx={{
            position: 'absolute',
            left: 21,
            top: at(m),
            fontSize: 9,
            lineHeight: `${KNOB}px`,
            color: colours.quiet,
          }}
        >
          {Math.abs(m)}
        </Box>
      ))}
      <Box
        sx={{
          position: 'absolute',
          left: 1,
          width: 18,
          height: KNOB,
          top: at(held ?? value),
          borderRadius: '3px',
          bgcolor: held !== null ? colours.ember : '#c9c9c9',
          '&::after': {
            content: '""',
            position: 'absolute',
            left: 2,
            right: 2,
            top: KNOB / 2 - 0.5,
            height: '1px',
            bgcolor: '#222',
          },
        }}
      />
    </Box>
  );
}
