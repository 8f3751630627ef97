import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';
import { arrowStep } from '../controls/arrows';
import { colours, sizes } from '../theme/theme';
import { useChoice } from './choice';

const STEP = 24;

/** The upper edge of the tray, by which it is pulled up, or moved by the arrow keys. */
export function TrayEdge() {
  const height = useChoice((c) => c.trayHeight);
  const most = window.innerHeight - sizes.top - 160;
  const resize = (to: number) =>
    useChoice.setState({ trayHeight: Math.max(sizes.tray, Math.min(most, to)) });
  const drag = (e: PointerEvent<HTMLElement>) => {
    if (e.currentTarget.hasPointerCapture(e.pointerId)) resize(window.innerHeight - e.clientY);
  };
  return (
    <Box
      role="separator"
      aria-orientation="horizontal"
      aria-label="Height of the tray"
      aria-valuemin={sizes.tray}
      aria-valuemax={most}
      aria-valuenow={height}
      tabIndex={0}
      onKeyDown={(e) => {
        const step = arrowStep(e.key);
        if (!step?.[1]) return;
        e.preventDefault();
        resize(height + STEP * step[1]);
      }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={drag}
      onDoubleClick={() => resize(sizes.tray)}
      sx={{
        position: 'absolute',
        top: -2,
        left: 0,
        right: 0,
        height: 5,
        cursor: 'ns-resize',
        zIndex: 1,
        borderTop: `1px solid ${colours.line}`,
        mt: '2px',
        '&:focus-visible': { outline: 'none', borderTopColor: colours.ember },
      }}
    />
  );
}
