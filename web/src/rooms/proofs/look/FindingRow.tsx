import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Finding, Operation } from '../../../api/document';
import { useDesk } from '../../../live/useShoot';
import { colours } from '../../../theme/theme';
import { setMeter } from '../meter/useMeter';
import { Crop } from './Crop';
import { useFindingChoice, weightWord } from './useFindings';

/** A finding: what was measured; opened, why it matters, where, and what would mend it. */
export function FindingRow({ finding }: { finding: Finding }) {
  const open = useFindingChoice((c) => c.key === finding.key);
  const word = weightWord(finding.weight);
  return (
    <Box component="li" sx={{ borderTop: `1px solid ${colours.line}` }}>
      <Box
        component="button"
        type="button"
        aria-expanded={open}
        onClick={() => useFindingChoice.setState({ key: open ? null : finding.key })}
        sx={{
          display: 'block',
          width: '100%',
          py: 1,
          px: 0,
          border: 'none',
          bgcolor: 'transparent',
          color: 'inherit',
          font: 'inherit',
          fontSize: 12,
          textAlign: 'left',
          cursor: 'pointer',
        }}
      >
        <Typography
          variant="caption"
          component="div"
          sx={{ color: word === 'serious' ? colours.warning : colours.quiet }}
        >
          {word}
        </Typography>
        {finding.what}
      </Box>
      {open && (
        <Box sx={{ pb: 1.5, display: 'flex', flexDirection: 'column', gap: 1.5 }}>
          {finding.region && <Crop region={finding.region} />}
          <Typography variant="caption" color="text.secondary">
            {finding.why}
          </Typography>
          <Mends finding={finding} />
          <Silence finding={finding} />
        </Box>
      )}
    </Box>
  );
}

function Mends({ finding }: { finding: Finding }) {
  const desk = useDesk();
  return finding.mends.map((mend) => (
    <Box key={mend.text}>
      <Button
        variant="outlined"
        onClick={() => {
          desk.leave();
          void desk.keep(mend.text, mend.operations as Operation[]);
        }}
        onMouseEnter={() => desk.tryOut(mend.operations as Operation[])}
        onMouseLeave={() => desk.leave()}
        onFocus={(e) => {
          if (e.currentTarget.matches(':focus-visible')) {
            desk.tryOut(mend.operations as Operation[]);
          }
        }}
        onBlur={() => desk.leave()}
      >
        {mend.text}
      </Button>
    </Box>
  ));
}

/** Silences the finding with a reason, or lets it be heard again. */
function Silence({ finding }: { finding: Finding }) {
  const desk = useDesk();
  const [reason, setReason] = useState<string | null>(null);
  const others = desk.state.document.meter.silenced.filter((s) => s.finding !== finding.key);
  if (finding.silenced !== null) {
    return (
      <>
        {finding.silenced && (
          <Typography variant="caption">Silenced: {finding.silenced}</Typography>
        )}
        <Box>
          <Button
            color="inherit"
            onClick={() => void desk.keep('Show finding again', [setMeter('silenced', others)])}
          >
            Show again
          </Button>
        </Box>
      </>
    );
  }
  const silence = () => {
    const all = [...others, { finding: finding.key, reason: (reason ?? '').trim() }];
    void desk.keep('Silence finding', [setMeter('silenced', all)]);
  };
  if (reason === null) {
    return (
      <Box>
        <Button color="inherit" onClick={() => setReason('')}>
          Silence
        </Button>
      </Box>
    );
  }
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        silence();
      }}
      sx={{ display: 'flex', gap: 1 }}
    >
      <InputBase
        autoFocus
        fullWidth
        placeholder="Why it is meant so"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
        slotProps={{ input: { 'aria-label': 'Reason', maxLength: 200 } }}
        sx={{ px: 1.5, fontSize: 12, bgcolor: colours.control, borderRadius: 1.5 }}
      />
      <Button type="submit" color="inherit">
        Silence
      </Button>
    </Box>
  );
}
