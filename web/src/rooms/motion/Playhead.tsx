import Box from '@mui/material/Box';
import { colours } from '../../theme/theme';

/** The time that is shown, as a line over everything. */
export function Playhead({ x, width }: { x: number; width: number }) {
  if (x < 0 || x > width) return null;
  return (
    <Box
      aria-hidden
      sx={{
        position: 'absolute',
        left: x,
        top: 0,
        bottom: 0,
        borderLeft: `1px solid ${colours.ember}`,
        pointerEvents: 'none',
      }}
    />
  );
}
