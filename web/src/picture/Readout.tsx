import Box from '@mui/material/Box';
import { useLive } from '../live/store';
import { mono } from '../theme/theme';

function luminance(value: number): string {
  if (value >= 10000) return `${(value / 1000).toFixed(1)} kcd/m²`;
  return `${value.toPrecision(3)} cd/m²`;
}

/** What the picture says under the pointer: stops from mid grey, cd/m², and who gave most of it. */
export function Readout() {
  const reading = useLive((s) => s.reading);
  if (!reading) return null;
  const stops =
    reading.stops === null
      ? 'black'
      : `${reading.stops >= 0 ? '+' : '−'}${Math.abs(reading.stops).toFixed(2)} st`;
  return (
    <Box
      role="status"
      aria-label="Reading"
      sx={{
        position: 'absolute',
        left: 8,
        bottom: 8,
        px: 2,
        py: 1,
        borderRadius: 1.5,
        bgcolor: '#1f1f1fd8',
        fontFamily: mono,
        fontSize: 12,
        pointerEvents: 'none',
      }}
    >
      {stops} · {luminance(reading.luminance)}
      {reading.light && ` · ${Math.round(100 * reading.share)} % ${reading.light}`}
    </Box>
  );
}
