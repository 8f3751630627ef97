import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useDesk } from '../live/useShoot';
import { colours, sizes } from '../theme/theme';
import { Pill } from './Pill';
import { SavedNote } from './SavedNote';
import { SaveMenu } from './SaveMenu';
import { ShootMenu } from './ShootMenu';
import { ShotMenu } from './ShotMenu';
import { TimeChip } from '../motion/TimeChip';
import { ViewMenu } from './ViewMenu';

/** Mark, shoot, shot, undo and redo, saving, and the pill. */
export function TopBar() {
  const desk = useDesk();
  const { undo, redo } = desk.state;
  return (
    <Box
      component="header"
      sx={{
        gridArea: 'top',
        height: sizes.top,
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        px: 3,
        borderBottom: `1px solid ${colours.line}`,
      }}
    >
      <img src="/mark.svg" width={22} height={22} alt="Level Ember" />
      <ShootMenu />
      <ShotMenu />
      <ViewMenu />
      <Box sx={{ flex: 1 }} />
      <Step name={undo ? `Undo: ${undo}` : 'Nothing to undo'} off={!undo} onClick={desk.undo}>
        <UndoIcon fontSize="inherit" />
      </Step>
      <Step name={redo ? `Redo: ${redo}` : 'Nothing to redo'} off={!redo} onClick={desk.redo}>
        <RedoIcon fontSize="inherit" />
      </Step>
      <TimeChip />
      <SavedNote />
      <SaveMenu />
      <Pill />
    </Box>
  );
}

function Step(p: { name: string; off: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <Tooltip title={p.name}>
      <span>
        <IconButton aria-label={p.name} disabled={p.off} onClick={p.onClick}>
          {p.children}
        </IconButton>
      </span>
    </Tooltip>
  );
}
