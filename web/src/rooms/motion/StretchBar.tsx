import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { useKeyDrag } from './useKeyDrag';
import type { TimeScale } from './useTimeScale';
import type { useTracks } from './useTracks';

/** A bar over chosen keys; its ends stretch them. */
export function StretchBar(p: { scale: TimeScale; edit: ReturnType<typeof useTracks> }) {
  const { scale, edit } = p;
  const { motion } = useDesk().document;
  const { stretch } = useKeyDrag(motion, scale, edit);
  const times = edit.chosen.map((c) => c.seconds);
  const first = Math.min(...times);
  const last = Math.max(...times);
  if (times.length < 2 || first === last) return null;
  const left = scale.x(first * motion.framesPerSecond);
  const right = scale.x(last * motion.framesPerSecond);
  const end = (name: string, x: number, about: number, held: number) => (
    <Box
      component="button"
      type="button"
      aria-label={name}
      onPointerDown={(e: PointerEvent) => stretch(e, about, held)}
      sx={{
        all: 'unset',
        position: 'absolute',
        left: x - 4,
        bottom: 0,
        width: 8,
        height: 10,
        bgcolor: colours.ember,
        cursor: 'col-resize',
        borderRadius: '2px',
      }}
    />
  );
  return (
    <>
      <Box
        aria-hidden
        sx={{
          position: 'absolute',
          left,
          width: right - left,
          bottom: 3,
          height: 3,
          bgcolor: colours.ember,
          pointerEvents: 'none',
        }}
      />
      {end('Stretch chosen keys to the left', left, last, first)}
      {end('Stretch chosen keys to the right', right, first, last)}
    </>
  );
}
