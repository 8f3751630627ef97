import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';

interface Props {
  /** What finds the levels, and what it says while it does. */
  find: string;
  finding: string;
  busy: boolean;
  ready: boolean;
  /** Levels are shown that can be taken or left. */
  found: boolean;
  /** The levels shown change nothing. */
  nothing?: boolean;
  onFind: () => void;
  onTake: () => void;
  onLeave: () => void;
  /** Other ways to take them. */
  children?: ReactNode;
}

/** Finds levels, which are shown until they are taken or left. */
export function LevelButtons(p: Props) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      <Button
        variant={p.found ? 'outlined' : 'contained'}
        disabled={!p.ready || p.busy}
        onClick={p.onFind}
      >
        {p.busy ? p.finding : p.find}
      </Button>
      {p.found && (
        <>
          <Button variant="contained" onClick={p.onTake} disabled={p.nothing}>
            Take
          </Button>
          {p.children}
          <Button color="inherit" onClick={p.onLeave}>
            Leave
          </Button>
        </>
      )}
    </Box>
  );
}
