import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { api, type FrameFlicker } from '../../api/client';
import type { PrintJob, PrintOrder } from '../../api/document';
import { Fetched } from '../../controls/Fetched';
import { Fold } from '../../controls/Fold';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { usePrintChoice } from './usePrints';

type Found = FrameFlicker['lights'][number];

const REASONS: Record<Found['reason'], string> = {
  FEW_SAMPLES: 'It has too few samples.',
  CAUSTIC: 'Its caustics have too few photons.',
  FADING: 'It fades, and what it gives then has the noise of a full light.',
};

const percent = (share: number) => `${(100 * share).toPrecision(2)} %`;

/** Frames as one reads them: "3, 5 to 9, 12". */
export function framesText(frames: number[]): string {
  const runs: [number, number][] = [];
  for (const f of frames) {
    const last = runs.at(-1);
    if (last?.[1] === f - 1) last[1] = f;
    else runs.push([f, f]);
  }
  return runs.map(([a, b]) => (a === b ? `${a}` : `${a} to ${b}`)).join(', ');
}

/** Where in the picture, in words. */
export function placeText(x: number, y: number): string {
  const across = x < 0.34 ? 'left' : x > 0.66 ? 'right' : '';
  const down = y < 0.34 ? 'top' : y > 0.66 ? 'bottom' : '';
  return [down, across].filter(Boolean).join(' ') || 'middle';
}

/** The order that mends what flickers: denoised over time where it is not yet, else with more samples. */
export function mended(order: PrintOrder): { order: PrintOrder; text: string } {
  const { frames } = order;
  if (frames && !frames.temporalFilter) {
    return {
      order: { ...order, denoise: true, frames: { ...frames, temporalFilter: true } },
      text: 'Order again with temporal denoising',
    };
  }
  return order.noisePercent > 0
    ? {
        order: { ...order, noisePercent: order.noisePercent / 2 },
        text: `Order again with ${order.noisePercent / 2} % noise`,
      }
    : {
        order: { ...order, samples: 4 * order.samples },
        text: `Order again with ${4 * order.samples} samples`,
      };
}

/** Which lights flicker in a job's frames, why, and the order that mends it. */
export function Flicker({ job }: { job: PrintJob }) {
  const { document } = useDesk();
  const query = useQuery({
    queryKey: ['prints', 'flicker', job.id, job.files.length, job.ended],
    queryFn: () => api.flickerOf(job.id),
  });
  const { data } = query;
  const name = (id: string) => document.lights.find((l) => l.id === id)?.name ?? id;
  const mend = mended(job.order);
  return (
    <Fold title="Flicker" open>
      <Fetched of={query} what="Flicker" />
      {data && data.frames < 3 && (
        <Typography variant="caption" color="text.secondary">
          It is looked for in denoised frames, three or more in a row.
        </Typography>
      )}
      {data && data.frames >= 3 && (
        <>
          <Typography variant="caption" color="text.secondary" component="p">
            {`Frames are ${percent(data.perFrame)} off their neighbours`}
            {job.order.frames?.temporalFilter
              ? `, ${percent(data.filtered)} after temporal denoising.`
              : '.'}
          </Typography>
          {data.lights.length === 0 && (
            <Typography variant="caption">No light flickers.</Typography>
          )}
          {data.lights.map((f) => (
            <Box
              key={f.light}
              role="group"
              aria-label={`Flicker of ${name(f.light)}`}
              sx={{ borderLeft: `2px solid ${colours.warning}`, pl: 1.5, my: 1 }}
            >
              <Typography variant="caption" component="div" sx={{ fontWeight: 600 }}>
                {name(f.light)}
              </Typography>
              <Typography variant="caption" component="div" color="text.secondary">
                {`Frames ${framesText(f.frames)}; most in ${f.worst}, ${placeText(f.x, f.y)}: ${percent(f.perFrame)} of the light there`}
                {job.order.frames?.temporalFilter
                  ? `, ${percent(f.filtered)} after temporal denoising. `
                  : '. '}
                {REASONS[f.reason]}
              </Typography>
            </Box>
          ))}
          {data.lights.length > 0 && (
            <Button
              variant="outlined"
              color="inherit"
              sx={{ borderColor: colours.line }}
              onClick={() => usePrintChoice.setState({ job: null, order: mend.order })}
            >
              {mend.text}
            </Button>
          )}
        </>
      )}
    </Fold>
  );
}
