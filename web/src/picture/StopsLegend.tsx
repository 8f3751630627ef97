import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../controls/Fetched';
import { api } from '../api/client';
import { useLive } from '../live/store';
import { mono } from '../theme/theme';

/** Which colour stands for which stop, while the picture is shown in stops. */
export function StopsLegend() {
  const shown = useLive((s) => s.view.kind === 'stops');
  const bandsQuery = useQuery({
    queryKey: ['stops'],
    queryFn: api.stops,
    staleTime: Infinity,
    enabled: shown,
  });
  const bands = bandsQuery.data;
  if (!shown) return null;
  if (!bands) return <Fetched of={bandsQuery} what="The key to the stops" />;
  return (
    <Box
      role="img"
      aria-label="Stops from mid grey by colour"
      sx={{
        position: 'absolute',
        right: 8,
        bottom: 8,
        display: 'flex',
        borderRadius: 1.5,
        overflow: 'hidden',
        fontFamily: mono,
        fontSize: 10,
        pointerEvents: 'none',
      }}
    >
      {bands.map((b) => (
        <Box
          key={b.stops}
          sx={{
            width: 24,
            py: 0.5,
            textAlign: 'center',
            bgcolor: b.colour,
            color: b.stops >= 0 ? '#000' : '#fff',
          }}
        >
          {b.stops > 0 ? `+${b.stops}` : b.stops}
        </Box>
      ))}
    </Box>
  );
}
