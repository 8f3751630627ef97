import Box from '@mui/material/Box';
import { SideTabs } from '../../controls/SideTabs';
import { LightDesk } from '../../desk/LightDesk';
import { useChoice, type RigTray as Shown } from '../../frame/choice';
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
      <SideTabs
        name="Instruments of the Rig"
        tabs={TABS}
        shown={shown}
        onShow={(rigTray) => useChoice.setState({ rigTray })}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>{shown === 'desk' ? <LightDesk /> : <LinkingBoard />}</Box>
    </Box>
  );
}
