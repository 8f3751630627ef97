import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import type { Operation, Proof, ProofChange } from '../../api/document';
import { Fetched } from '../../controls/Fetched';
import { Fold } from '../../controls/Fold';
import { useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { changeWords } from './proofWords';

const MOST = 200;

/** What in the shoot differs from when a proof was taken; each can be taken over. */
export function Changes({ proof }: { proof: Proof }) {
  const { state } = useDesk();
  const query = useQuery({
    queryKey: ['changes', proof.id, state.revision],
    queryFn: () => api.proofChanges(proof.id),
    placeholderData: (before) => before,
  });
  const changes = query.data ?? [];
  return (
    <Fold title={changes.length > 0 ? `What changed: ${changes.length}` : 'What changed'} open>
      <Fetched of={query} what="The changes" empty="Nothing has changed since." />
      {changes.length > 0 && (
        <Box component="ul" aria-label="Changes" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {changes.slice(0, MOST).map((change) => (
            <Line key={change.place} change={change} proof={proof} />
          ))}
        </Box>
      )}
      {changes.length > MOST && (
        <Typography variant="caption" color="text.secondary">
          and {changes.length - MOST} more
        </Typography>
      )}
    </Fold>
  );
}

function Line({ change, proof }: { change: ProofChange; proof: Proof }) {
  const desk = useDesk();
  const words = changeWords(desk.document, change);
  return (
    <Box component="li" sx={{ py: 0.75, borderTop: `1px solid ${colours.line}` }}>
      <Typography variant="caption" component="div" noWrap title={words.what}>
        {words.what}
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography
          variant="caption"
          component="span"
          noWrap
          title={`now ${words.now}, then ${words.then}`}
          sx={{ flex: 1, minWidth: 0, fontFamily: mono, color: colours.quiet }}
        >
          now {words.now}, then {words.then}
        </Typography>
        <Button
          size="small"
          color="inherit"
          aria-label={`${words.what} as then`}
          onClick={() =>
            void desk.keep(
              `${words.what} as in ${proof.name}`.slice(0, 200),
              change.operations as Operation[],
            )
          }
        >
          As then
        </Button>
      </Box>
    </Box>
  );
}
