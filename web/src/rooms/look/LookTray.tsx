import Box from '@mui/material/Box';
import { SideTabs } from '../../controls/SideTabs';
import { useChoice, type LookTray as Shown } from '../../frame/choice';
import { CurveTray } from './CurveTray';
import { GradeWall, LookWall } from './LookWall';
import { ScopesTray } from './ScopesTray';

const TABS: [Shown, string][] = [
  ['scopes', 'Scopes'],
  ['curve', 'Curve'],
  ['looks', 'Looks'],
  ['grades', 'Grades'],
];

/** Tray of the Look: scopes, the curve, the wall of looks, the shelf of grades. */
export function LookTray() {
  const shown = useChoice((c) => c.lookTray);
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <SideTabs
        name="Instruments of the Look"
        tabs={TABS}
        shown={shown}
        onShow={(lookTray) => useChoice.setState({ lookTray })}
      />
      <Box sx={{ flex: 1, minWidth: 0, height: '100%' }}>
        {shown === 'scopes' && <ScopesTray />}
        {shown === 'curve' && <CurveTray />}
        {shown === 'looks' && <LookWall />}
        {shown === 'grades' && <GradeWall />}
      </Box>
    </Box>
  );
}
