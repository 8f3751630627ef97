import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import CircularProgress from '@mui/material/CircularProgress';
import type { UseQueryResult } from '@tanstack/react-query';
import { colours } from '../theme/theme';

interface Props {
  of: Pick<UseQueryResult<unknown>, 'data' | 'error' | 'isFetching' | 'refetch'>;
  /** In the plural or with its article, as in "The gels". */
  what: string;
  /** What to say when there is none; nothing by default. */
  empty?: string;
}

/** What stands in the place of data that is awaited, could not be had, or is none. */
export function Fetched({ of, what, empty }: Props) {
  if (of.data !== undefined) {
    const none = Array.isArray(of.data) && of.data.length === 0;
    return none && empty ? <Line role="note">{empty}</Line> : null;
  }
  if (of.isFetching) {
    return (
      <Line role="status" label={`${what}: loading`}>
        <CircularProgress size={12} color="inherit" />
        Loading …
      </Line>
    );
  }
  if (!of.error) return null;
  return (
    <Line role="alert">
      <span>
        {what} could not be loaded. {of.error instanceof Error ? of.error.message : ''}
      </span>
      <Button size="small" color="inherit" onClick={() => void of.refetch()}>
        Try again
      </Button>
    </Line>
  );
}

function Line(props: { role: string; label?: string; children: React.ReactNode }) {
  return (
    <Box
      role={props.role}
      aria-label={props.label}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        // Where it stands in a grid of cards it is as wide as all of them.
        gridColumn: '1 / -1',
        alignItems: 'center',
        gap: 1.5,
        px: 2,
        py: 1,
        fontSize: 12,
        color: colours.quiet,
      }}
    >
      {props.children}
    </Box>
  );
}
