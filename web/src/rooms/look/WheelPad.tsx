import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import type { Vector, Wheels } from '../../api/document';
import { arrowStep } from '../../controls/arrows';
import { NumberOf } from '../../controls/FieldOf';
import type { Quantity } from '../../controls/quantity';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { useLook } from './useLook';
import { channels, turned } from './wheel';

interface Props {
  wheel: 'lift' | 'gamma' | 'gain' | 'offset';
  label: string;
  neutral: number;
  /** What the rim stands for. */
  reach: number;
  level: Quantity;
}

const SIZE = 58;

/** Balances one wheel of the grade: warm to the right, green upwards; its level below. */
export function WheelPad({ wheel, label, neutral, reach, level }: Props) {
  const desk = useDesk();
  const [inHand, setInHand] = useState(false);
  const { look, here, set } = useLook(inHand);
  const pad = useRef<HTMLDivElement>(null);
  const of = (l: { grade: { wheels: Wheels } }) => l.grade.wheels[wheel];
  const now = turned(of(look), neutral);
  const edit = `${label} of ${look.name}`;
  const put = (v: Vector) => set(desk.state.document, `grade/wheels/${wheel}`, v);
  const at = (e: React.PointerEvent) => {
    const box = pad.current!.getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * 2 - 1;
    const y = 1 - ((e.clientY - box.top) / box.height) * 2;
    const far = Math.max(1, Math.hypot(x, y));
    return channels(
      { warm: (x / far) * reach, green: (y / far) * reach, level: now.level },
      neutral,
    );
  };
  const nudge = (e: React.KeyboardEvent) => {
    const step = arrowStep(e.key);
    if (!step) return;
    e.preventDefault();
    const small = reach / (e.shiftKey ? 100 : 25);
    const next = {
      ...now,
      warm: Math.min(reach, Math.max(-reach, now.warm + step[0] * small)),
      green: Math.min(reach, Math.max(-reach, now.green + step[1] * small)),
    };
    void desk.keep(edit, put(channels(next, neutral)));
  };
  return (
    <Box sx={{ minWidth: 0, textAlign: 'center' }}>
      <Typography variant="caption" color="text.secondary" component="div">
        {label}
      </Typography>
      <Box
        ref={pad}
        role="group"
        tabIndex={0}
        aria-label={`Balance of ${label.toLowerCase()}: arrow keys, warm to the right, green upwards`}
        data-wheel={wheel}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          setInHand(true);
          desk.tryOut(put(at(e)), true);
        }}
        onPointerMove={(e) => {
          if (e.currentTarget.hasPointerCapture(e.pointerId)) desk.tryOut(put(at(e)), true);
        }}
        onPointerUp={() => void desk.keep(edit).finally(() => setInHand(false))}
        onDoubleClick={() =>
          void desk.keep(edit, put(channels({ warm: 0, green: 0, level: now.level }, neutral)))
        }
        onKeyDown={nudge}
        sx={{
          width: SIZE,
          height: SIZE,
          mx: 'auto',
          my: 0.5,
          borderRadius: '50%',
          position: 'relative',
          cursor: 'crosshair',
          touchAction: 'none',
          border: `1px solid ${colours.line}`,
          background:
            'linear-gradient(90deg, #4a5a72, #4a4a4a 50%, #7a5a40), linear-gradient(0deg, #6a4a68, #4a4a4a 50%, #4c6a4c)',
          backgroundBlendMode: 'screen',
          filter: 'brightness(0.75)',
        }}
      >
        <svg
          viewBox={`0 0 ${SIZE} ${SIZE}`}
          aria-hidden
          style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
        >
          <line x1={0} x2={SIZE} y1={SIZE / 2} y2={SIZE / 2} stroke="#00000050" />
          <line x1={SIZE / 2} x2={SIZE / 2} y1={0} y2={SIZE} stroke="#00000050" />
          <circle
            cx={(SIZE / 2) * (1 + now.warm / reach)}
            cy={(SIZE / 2) * (1 - now.green / reach)}
            r={4}
            fill="#fff"
            stroke="#000"
          />
        </svg>
      </Box>
      <NumberOf
        label="Level"
        name={`Level of ${label.toLowerCase()}`}
        edit={edit}
        read={(d) => turned(of(here(d)), neutral).level + neutral}
        write={(d, v) =>
          set(
            d,
            `grade/wheels/${wheel}`,
            channels({ ...turned(of(here(d)), neutral), level: v - neutral }, neutral),
          )
        }
        quantity={level}
      />
    </Box>
  );
}
