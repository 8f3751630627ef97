import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { useLive } from '../live/store';
import { colours } from '../theme/theme';

const LOOKED_MILLIS = 15_000;
const OBSTRUCTED_MILLIS = 3000;

/** Says whether all that was changed is kept, and why not. */
export function SavedNote() {
  const waiting = useLive((s) => s.pending.length);
  const obstacle = useLive((s) => s.obstacle);
  const connected = useLive((s) => s.connected);
  const { data: storage } = useQuery({
    queryKey: ['storage'],
    queryFn: api.storage,
    refetchInterval: (query) =>
      query.state.data?.keeps === false || query.state.error ? OBSTRUCTED_MILLIS : LOOKED_MILLIS,
    retry: false,
  });
  const changes = waiting === 1 ? '1 change waits' : `${waiting} changes wait`;
  const why =
    obstacle === 'unreachable'
      ? 'The application does not answer. What you change stays in this page and is kept when it is back.'
      : obstacle === 'not-kept' || storage?.keeps === false
        ? `${storage?.why ?? 'The data folder takes no more.'} Nothing is being kept; what you change stays in this page until there is room.`
        : null;
  const [text, colour] = why
    ? [waiting > 0 ? `Not saved: ${changes}` : 'Nothing is being saved', colours.warning]
    : waiting > 0
      ? ['Saving …', colours.quiet]
      : connected
        ? ['Saved', storage?.notice ? colours.warning : colours.quiet]
        : ['Saved; reconnecting …', colours.quiet];
  return (
    <Tooltip title={why ?? storage?.notice ?? 'Every change is kept as soon as it is made.'}>
      <Box
        role="status"
        aria-label="Saved or not"
        sx={{ color: colour, fontSize: 12, whiteSpace: 'nowrap' }}
      >
        {text}
      </Box>
    </Tooltip>
  );
}
