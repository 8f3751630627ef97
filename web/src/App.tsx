import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { api, Problem } from './api/client';
import { Shoot } from './frame/Shoot';
import { say } from './live/useShoot';

function subscribe(changed: () => void) {
  addEventListener('hashchange', changed);
  return () => removeEventListener('hashchange', changed);
}

/** Opens the shoot that the address names, or else the one changed last. */
export function App() {
  const hash = useSyncExternalStore(subscribe, () => location.hash);
  const { data, error, refetch } = useQuery({ queryKey: ['shoots'], queryFn: api.titles });
  const named = decodeURIComponent(hash.replace(/^#\//, ''));
  const id = data?.some((t) => t.id === named) ? named : data?.[0]?.id;
  const begin = async () => {
    try {
      await api.begin('New shoot');
    } catch (problem) {
      say(problem);
    }
    await refetch();
  };
  if (id) return <Shoot key={id} id={id} />;
  return (
    <Box
      sx={{ height: '100%', display: 'grid', placeContent: 'center', gap: 3, textAlign: 'center' }}
    >
      {data ? (
        <>
          <Typography>There is no shoot.</Typography>
          <Button variant="outlined" onClick={() => void begin()}>
            Begin an empty shoot
          </Button>
        </>
      ) : error ? (
        <>
          <Typography>
            {error instanceof Problem ? `${error.message} ${error.todo}` : String(error)}
          </Typography>
          <Button variant="outlined" onClick={() => void refetch()}>
            Try again
          </Button>
        </>
      ) : (
        <Typography color="text.secondary">Opening …</Typography>
      )}
    </Box>
  );
}
