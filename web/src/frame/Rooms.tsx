import CompareIcon from '@mui/icons-material/CompareOutlined';
import LightbulbOutlinedIcon from '@mui/icons-material/LightbulbOutlined';
import TuneIcon from '@mui/icons-material/Tune';
import PrintOutlinedIcon from '@mui/icons-material/PrintOutlined';
import ViewInArOutlinedIcon from '@mui/icons-material/ViewInArOutlined';
import TimelineIcon from '@mui/icons-material/Timeline';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { colours } from '../theme/theme';
import { useChoice, type Room } from './choice';

const ROOMS: { room: Room; name: string; icon: ReactNode }[] = [
  { room: 'set', name: 'Set', icon: <ViewInArOutlinedIcon fontSize="small" /> },
  { room: 'rig', name: 'Rig', icon: <LightbulbOutlinedIcon fontSize="small" /> },
  { room: 'look', name: 'Look', icon: <TuneIcon fontSize="small" /> },
  { room: 'proofs', name: 'Proofs', icon: <CompareIcon fontSize="small" /> },
  { room: 'motion', name: 'Motion', icon: <TimelineIcon fontSize="small" /> },
  { room: 'print', name: 'Print', icon: <PrintOutlinedIcon fontSize="small" /> },
];

/** The rooms, in the order of work. */
export function Rooms() {
  const chosen = useChoice((c) => c.room);
  return (
    <Box
      component="nav"
      aria-label="Rooms"
      sx={{
        gridArea: 'rooms',
        borderRight: `1px solid ${colours.line}`,
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
        p: 1.5,
      }}
    >
      {ROOMS.map(({ room, name, icon }) => (
        <Box
          key={room}
          component="button"
          type="button"
          aria-current={room === chosen ? 'page' : undefined}
          onClick={() => useChoice.setState({ room })}
          sx={{
            border: 'none',
            borderRadius: 1.5,
            py: 2,
            cursor: 'pointer',
            font: 'inherit',
            fontSize: 12,
            display: 'flex',
            flexDirection: 'column',
            alignItems: 'center',
            gap: 0.5,
            color: room === chosen ? colours.ember : colours.quiet,
            bgcolor: room === chosen ? colours.control : 'transparent',
            '&:hover': { color: colours.text },
          }}
        >
          {icon}
          {name}
        </Box>
      ))}
    </Box>
  );
}
