import Box from '@mui/material/Box';
import { LightDesk } from '../../desk/LightDesk';
import { useChoice, type RigTray as Shown } from '../../frame/choice';
import { colours } from '../../theme/theme';
import { LinkingBoard } from './LinkingBoard';

const TABS: [Shown, string][] = [
  ['desk', 'Desk'],
  ['links', 'Links'],
];

/** Tray of the Rig: the light desk, or the linking board. */
export function RigTray() {
  const shown = useChoice((c) => c.rigTray);
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <Box
        role="tablist"
        aria-label="Instruments of the Rig"
        sx={{ width: 24, flex: 'none', display: 'flex', flexDirection: 'column', pt: 1 }}
      >
        {TABS.map(([tab, text]) => (
          <Box
            key={tab}
            component="button"
            type="button"
            role="tab"
            aria-selected={shown === tab}
            onClick={() => useChoice.setState({ rigTray: tab })}
            sx={{
              writingMode: 'vertical-rl',
              transform: 'rotate(180deg)',
              height: 62,
              border: 'none',
              bgcolor: shown === tab ? colours.control : 'transparent',
              color: shown === tab ? colours.text : colours.quiet,
              fontSize: 11,
              cursor: 'pointer',
              borderRadius: 1,
              fontFamily: 'inherit',
            }}
          >
            {text}
          </Box>
        ))}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>{shown === 'desk' ? <LightDesk /> : <LinkingBoard />}</Box>
    </Box>
  );
}
