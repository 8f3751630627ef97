import Box from '@mui/material/Box';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { arrowStep } from '../../../controls/arrows';
import { colours, mono } from '../../../theme/theme';
import { placePair, removePair, usePairs, type Side } from './usePairs';

const NUDGE = 0.01;

/** The paired regions over one of both pictures; dragged, or moved by arrow keys. */
export function PairMarks({ side, aspect }: { side: Side; aspect: number | null }) {
  const { paired, pairs } = usePairs();
  const area = useRef<HTMLDivElement>(null);
  if (!paired) return null;
  return (
    <Box sx={{ position: 'absolute', inset: 0, containerType: 'size' }}>
      <Box
        ref={area}
        style={aspect ? { aspectRatio: aspect, width: `min(100cqw, ${100 * aspect}cqh)` } : {}}
        sx={{ position: 'absolute', inset: 0, m: 'auto', height: aspect ? 'auto' : '100%' }}
      >
        {pairs.map((pair, i) => {
          const x = side === 'picture' ? pair.x : pair.referenceX;
          const y = side === 'picture' ? pair.y : pair.referenceY;
          const drag = (e: PointerEvent<HTMLElement>) => {
            e.stopPropagation();
            if (e.type === 'pointerdown') e.currentTarget.setPointerCapture(e.pointerId);
            else if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
            const box = area.current!.getBoundingClientRect();
            placePair(
              i,
              side,
              (e.clientX - box.left) / box.width,
              (e.clientY - box.top) / box.height,
            );
          };
          const press = (e: KeyboardEvent) => {
            const step = arrowStep(e.key);
            if (step) placePair(i, side, x + NUDGE * step[0], y - NUDGE * step[1]);
            else if (e.key === 'Delete') removePair(i);
            else return;
            e.preventDefault();
            e.stopPropagation();
          };
          return (
            <Box
              key={i}
              component="button"
              type="button"
              aria-label={`Region ${i + 1} in the ${side}`}
              onPointerDown={drag}
              onPointerMove={drag}
              onKeyDown={press}
              style={{ left: `${100 * x}%`, top: `${100 * y}%`, width: `${100 * pair.size}%` }}
              sx={{
                position: 'absolute',
                minWidth: 12,
                aspectRatio: '1',
                transform: 'translate(-50%, -50%)',
                p: 0,
                bgcolor: 'transparent',
                border: '2px solid #fff',
                outline: '1px solid #000000a0',
                color: '#fff',
                fontFamily: mono,
                fontSize: 11,
                cursor: 'move',
                touchAction: 'none',
                pointerEvents: 'auto',
                '&:focus-visible': { borderColor: colours.ember },
              }}
            >
              <Box
                component="span"
                sx={{ position: 'absolute', left: 0, top: '100%', px: 0.5, bgcolor: '#1f1f1fd0' }}
              >
                {i + 1}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
