import Box from '@mui/material/Box';
import { plural } from '../../../controls/plural';
import Typography from '@mui/material/Typography';
import { Fold } from '../../../controls/Fold';
import { useLive } from '../../../live/store';
import { FindingRow } from './FindingRow';
import { parted, useFindings } from './useFindings';

/** What is probably not meant in the light, what matters most first. */
export function SecondLookDetails() {
  const { data, error } = useFindings(true);
  const failed = useLive((s) => s.failure !== null);
  if (!data) {
    return (
      <Typography variant="caption" color="text.secondary">
        {error || failed
          ? 'The picture cannot be looked over now.'
          : 'The picture is looked over as soon as it has a whole sample.'}
      </Typography>
    );
  }
  const { shown, silenced } = parted(data.findings);
  return (
    <Box>
      <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 1 }}>
        {shown.length === 0
          ? 'Nothing stands out in the light of this shot.'
          : `${plural(shown.length, 'finding')} in this shot, at ${plural(Math.round(data.samples), 'sample')}.`}
      </Typography>
      <Box component="ul" aria-label="Findings" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((finding) => (
          <FindingRow key={finding.key} finding={finding} />
        ))}
      </Box>
      {silenced.length > 0 && (
        <Fold title={`Silenced: ${silenced.length}`}>
          <Box component="ul" aria-label="Silenced findings" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {silenced.map((finding) => (
              <FindingRow key={finding.key} finding={finding} />
            ))}
          </Box>
        </Fold>
      )}
    </Box>
  );
}
