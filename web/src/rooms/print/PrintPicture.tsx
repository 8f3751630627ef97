import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import type { PrintJob } from '../../api/document';
import { useLoaded } from '../../controls/useLoaded';
import { colours } from '../../theme/theme';
import { cleanOf, leftOf, stateOf } from './jobWords';
import { usePrintChoice } from './usePrints';

/** The picture of the chosen job as far as it is, over the live one; nothing while none is chosen. */
export function PrintPicture() {
  const chosen = usePrintChoice((c) => c.job);
  const { data } = useQuery<PrintJob[]>({ queryKey: ['prints'], queryFn: api.prints });
  const job = data?.find((j) => j.id === chosen);
  return job ? <JobPicture key={job.id} job={job} /> : null;
}

function JobPicture({ job }: { job: PrintJob }) {
  const url = api.printPictureUrl(job);
  const ended = job.state === 'done' || job.state === 'stopped';
  const film = ended ? job.files.findIndex((file) => file.endsWith('.mp4')) : -1;
  const shown = useLoaded(url);
  return (
    <Box
      sx={{
        position: 'absolute',
        inset: 0,
        bgcolor: colours.surround,
        display: 'flex',
        flexDirection: 'column',
      }}
    >
      <Box sx={{ flex: 1, minHeight: 0, display: 'grid', placeItems: 'center' }}>
        {film >= 0 ? (
          <Box
            component="video"
            controls
            autoPlay
            muted
            loop
            aria-label={`Film of print ${job.id}`}
            src={api.printFileUrl(job.id, film)}
            sx={{ width: '100%', height: '100%', objectFit: 'contain' }}
          />
        ) : shown ? (
          <Box
            component="img"
            alt={`Print ${job.id} as far as it is`}
            src={shown}
            sx={{ width: '100%', height: '100%', objectFit: 'contain' }}
          />
        ) : (
          <Box sx={{ color: '#1a1a1a', fontSize: 13 }}>{stateOf(job)} …</Box>
        )}
      </Box>
      <Box
        role="status"
        sx={{
          height: 26,
          px: 2,
          display: 'flex',
          alignItems: 'center',
          gap: 3,
          fontSize: 12,
          bgcolor: colours.panel,
          color: colours.quiet,
        }}
      >
        <span>
          Print {job.id}, {job.order.width} × {job.order.height}
        </span>
        <span>{cleanOf(job)}</span>
        <span>{leftOf(job) || stateOf(job)}</span>
      </Box>
    </Box>
  );
}
