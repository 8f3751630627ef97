import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, Problem } from '../api/client';
import { say } from '../live/useShoot';
import { freeTitle } from './freeTitle';

/** Stands where a shoot would, while none can be shown: why, and every way on. */
export function NoShoot({ error, onAgain }: { error: unknown; onAgain: () => void }) {
  const client = useQueryClient();
  const { data: titles } = useQuery({ queryKey: ['shoots'], queryFn: api.titles });
  const named = decodeURIComponent(location.hash.replace(/^#\//, ''));
  const begin = async () => {
    try {
      const made = await api.newShoot(freeTitle(titles ?? []));
      await client.invalidateQueries({ queryKey: ['shoots'] });
      location.hash = `#/${made.id}`;
    } catch (problem) {
      say(problem);
    }
  };
  return (
    <Box
      component="main"
      sx={{
        height: '100%',
        display: 'grid',
        placeContent: 'center',
        gap: 3,
        justifyItems: 'center',
      }}
    >
      <img src="/mark.svg" width={32} height={32} alt="Level Ember" />
      {error ? (
        <Typography role="alert" sx={{ maxWidth: 520, textAlign: 'center' }}>
          {error instanceof Problem
            ? `${error.message} ${error.kept} ${error.todo}`
            : String(error)}
        </Typography>
      ) : (
        <Typography>There is no shoot yet.</Typography>
      )}
      <Box sx={{ display: 'flex', gap: 2 }}>
        {error ? (
          <Button variant="outlined" onClick={onAgain}>
            Open again
          </Button>
        ) : null}
        <Button variant="outlined" onClick={() => void begin()}>
          New shoot
        </Button>
      </Box>
      {titles && titles.length > 0 && (
        <Box
          component="nav"
          aria-label="Shoots"
          sx={{ display: 'grid', gap: 1, textAlign: 'center' }}
        >
          {titles
            .filter((t) => t.id !== named)
            .map((t) => (
              <Button key={t.id} color="inherit" href={`#/${t.id}`}>
                {t.name}
              </Button>
            ))}
        </Box>
      )}
    </Box>
  );
}
