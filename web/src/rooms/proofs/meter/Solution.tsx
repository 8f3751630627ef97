import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Outcome, Solved } from '../../../api/document';
import { formatStops } from '../../../controls/quantity';
import { useDesk } from '../../../live/useShoot';
import { colours, mono } from '../../../theme/theme';
import { LevelButtons } from './LevelButtons';
import { faderName, obstacleText, outcomeState, readingText, targetText } from './meterWords';
import type { SolutionHands } from './useSolution';

/** Finds levels; shows them with what becomes of every target until they are taken or left. */
export function Solution({ solved, busy, solve, take, leave }: SolutionHands) {
  return (
    <Box component="section" aria-label="Levels for the targets" sx={{ pt: 1.5 }}>
      <LevelButtons
        find="Find levels"
        finding="Finding levels …"
        busy={busy}
        ready
        found={solved !== null}
        nothing={solved?.operations.length === 0}
        onFind={solve}
        onTake={() => void take()}
        onLeave={leave}
      />
      {solved && (
        <>
          <Outcomes solved={solved} />
          <Moves moves={solved.solution.moves} />
        </>
      )}
    </Box>
  );
}

function Outcomes({ solved }: { solved: Solved }) {
  const { document } = useDesk();
  const { targets, pins } = document.meter;
  return (
    <Box
      component="ul"
      aria-label="Targets before and after"
      sx={{ listStyle: 'none', p: 0, my: 1.5 }}
    >
      {solved.solution.outcomes.map((outcome) => {
        const target = targets.find((t) => t.id === outcome.target);
        return (
          target && (
            <Line
              key={outcome.target}
              title={targetText(target, pins)}
              change={`${readingText(target, outcome.before)} → ${readingText(target, outcome.after)}`}
              state={outcomeState(target, outcome)}
              obstacles={outcome.obstacles}
            />
          )
        );
      })}
      {solved.solution.unread.map((id) => {
        const target = targets.find((t) => t.id === id);
        return target && <Line key={id} title={targetText(target, pins)} change="not seen now" />;
      })}
    </Box>
  );
}

interface LineProps {
  title: string;
  change: string;
  state?: string;
  obstacles?: Outcome['obstacles'];
}

function Line({ title, change, state, obstacles = [] }: LineProps) {
  const { document } = useDesk();
  return (
    <Box component="li" sx={{ py: 0.75, borderTop: `1px solid ${colours.line}` }}>
      <Typography variant="caption" component="div" noWrap title={title}>
        {title}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, fontFamily: mono, fontSize: 11, color: colours.quiet }}>
        <span style={{ flex: 1 }}>{change}</span>
        <span style={{ color: state === 'met' ? colours.text : colours.warning }}>{state}</span>
      </Box>
      {obstacles.map((o) => (
        <Typography
          key={o.kind + o.what}
          variant="caption"
          component="div"
          sx={{ color: colours.warning }}
        >
          {obstacleText(document, o)}
        </Typography>
      ))}
    </Box>
  );
}

/** Where faders go. */
export function Moves({ moves }: { moves: Solved['solution']['moves'] }) {
  const { document } = useDesk();
  return (
    <Box
      component="table"
      aria-label="Faders before and after"
      sx={{ width: '100%', fontSize: 11, borderCollapse: 'collapse', '& td': { py: 0.5 } }}
    >
      <tbody>
        {moves.map((move) => (
          <tr key={move.place}>
            <td>{faderName(document, move.place)}</td>
            <Box component="td" sx={{ fontFamily: mono, textAlign: 'right', color: colours.quiet }}>
              {move.before === move.after
                ? `${formatStops(move.before)} stays`
                : `${formatStops(move.before)} → ${formatStops(move.after)}`}
              {move.colour && ` · ${Math.round(move.colour.kelvin)} K`}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
