import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { colours } from '../../theme/theme';
import { MeterDetails } from './meter/MeterDetails';
import { TargetDetails } from './meter/TargetDetails';
import { SecondLookDetails } from './look/SecondLookDetails';
import { ProofDetails } from './ProofDetails';
import { useProofChoice, type DetailsPage } from './useProofs';

const PAGES: [DetailsPage, string][] = [
  ['proof', 'Proof'],
  ['meter', 'Meter'],
  ['targets', 'Targets'],
  ['look', 'Second look'],
];

const SHOWN = {
  proof: ProofDetails,
  meter: MeterDetails,
  targets: TargetDetails,
  look: SecondLookDetails,
};

/** Details of the Proofs: the chosen proof, the meter, the targets, or second look. */
export function ProofRoomDetails() {
  const page = useProofChoice((c) => c.page);
  const Page = SHOWN[page];
  return (
    <Box>
      <Tabs
        value={page}
        onChange={(_, next: DetailsPage) => useProofChoice.setState({ page: next })}
        aria-label="Details of the proofs"
        sx={{
          minHeight: 32,
          mb: 2,
          borderBottom: `1px solid ${colours.line}`,
          '& .MuiTab-root': { minHeight: 32, minWidth: 0, px: 1.5, fontSize: 12 },
        }}
      >
        {PAGES.map(([value, text]) => (
          <Tab key={value} value={value} label={text} />
        ))}
      </Tabs>
      <Page />
    </Box>
  );
}
