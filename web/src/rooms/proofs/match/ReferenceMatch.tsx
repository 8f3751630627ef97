import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { api } from '../../../api/client';
import type { Matched } from '../../../api/document';
import { PlainSelect } from '../../../controls/PlainSelect';
import { useDesk } from '../../../live/useShoot';
import { LevelButtons } from '../meter/LevelButtons';
import { Moves } from '../meter/Solution';
import { useShownLevels } from '../meter/useSolution';
import { useProofChoice, useTakeProof } from '../useProofs';
import { RegionPairs } from './RegionPairs';
import { addPair, usePairs } from './usePairs';

/** Finds the levels, and the turn of a surrounding, that come nearest to the reference. */
export function ReferenceMatch() {
  const file = useProofChoice((c) => c.referenceFile);
  const { paired, pairs, turn } = usePairs();
  const { document, state } = useDesk();
  const surroundings = document.lights.filter((l) => l.emitter.kind === 'environment');
  const turned = surroundings.some((l) => l.id === turn) ? turn : null;
  const hands = useShownLevels(
    (id) => api.matchReference(id, file!, paired ? pairs : [], turned),
    'Match reference',
  );
  const takeProof = useTakeProof();
  const withProof = async () => {
    if (!hands.solved || !file) return;
    const words = { name: `Match of ${file.name}`.slice(0, 100), note: nearness(hands.solved) };
    if (await hands.take()) await takeProof(state.id, words);
  };
  return (
    <Box component="section" aria-label="Levels for the reference">
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <PlainSelect
          label="Match by"
          value={paired ? 'regions' : 'tones'}
          options={[
            { value: 'tones', text: 'Tones of the whole' },
            { value: 'regions', text: 'Paired regions' },
          ]}
          onChange={(v) => {
            const by = v === 'regions';
            usePairs.setState({ paired: by });
            if (by && pairs.length === 0) addPair();
            if (by) useProofChoice.setState({ mode: 'beside', proof: null });
          }}
        />
        {surroundings.length > 0 && (
          <PlainSelect
            label="Surroundings"
            value={turned ?? ''}
            options={[
              { value: '', text: 'Stay' },
              ...surroundings.map((l) => ({ value: l.id, text: `Turn ${l.name}` })),
            ]}
            onChange={(v) => usePairs.setState({ turn: v || null })}
          />
        )}
      </Box>
      {paired && <RegionPairs />}
      <Box sx={{ mt: 1 }}>
        <LevelButtons
          find="Match"
          finding="Matching …"
          busy={hands.busy}
          ready={file !== null && !(paired && pairs.length === 0)}
          found={hands.solved !== null}
          onFind={hands.solve}
          onTake={() => void hands.take()}
          onLeave={hands.leave}
        >
          <Button color="inherit" onClick={() => void withProof()}>
            Take with a proof
          </Button>
        </LevelButtons>
      </Box>
      {hands.solved && <Found matched={hands.solved} />}
    </Box>
  );
}

/** How near it came, in stops. */
function nearness({ match }: Matched): string {
  return `Off by ${match.before.toFixed(2)} st before, ${match.after.toFixed(2)} st after.`;
}

function Found({ matched }: { matched: Matched }) {
  const { document } = useDesk();
  const { turn } = matched;
  const light = document.lights.find((l) => l.id === turn?.light);
  return (
    <>
      <Typography variant="caption" component="p" sx={{ my: 1 }}>
        {nearness(matched)}
        {turn &&
          ` ${light?.name ?? 'Surroundings'} turned from ${turn.before.toFixed(0)}° to ${turn.after.toFixed(0)}°.`}
      </Typography>
      <Moves moves={matched.match.moves} />
    </>
  );
}
