import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { api } from './api/client';
import { Boundary } from './frame/Boundary';
import { NoShoot } from './frame/NoShoot';
import { Shoot } from './frame/Shoot';

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
  if (id) {
    return (
      <Boundary key={id}>
        <Shoot id={id} />
      </Boundary>
    );
  }
  if (data || error) return <NoShoot error={error} onAgain={() => void refetch()} />;
  return (
    <Box sx={{ height: '100%', display: 'grid', placeContent: 'center' }}>
      <Typography color="text.secondary">Opening …</Typography>
    </Box>
  );
}
