import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { api } from '../../api/client';
import type { PrintJob } from '../../api/document';
import { Fetched } from '../../controls/Fetched';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDownload } from '../../live/useDownload';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { cleanOf, framesOf, leftOf, stateOf } from './jobWords';
import { usePrintChoice, usePrints } from './usePrints';

/** Tray of the print room: the queue and what was printed, newest first. */
export function PrintTray() {
  const desk = useDesk();
  const shot = useChosenShot();
  const download = useDownload();
  const query = usePrints();
  const chosen = usePrintChoice((c) => c.job);
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <Box
        role="listbox"
        aria-label="Prints"
        sx={{
          flex: 1,
          minWidth: 0,
          overflowY: 'auto',
          p: 1.5,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))',
          gridAutoRows: 82,
          gap: 1,
        }}
      >
        <Fetched
          of={query}
          what="The prints"
          empty="Nothing is ordered yet. Choose shots, size and files at the right, then order the print."
        />
        {(query.data ?? []).map((job) => (
          <JobCard key={job.id} job={job} chosen={job.id === chosen} />
        ))}
      </Box>
      <Box sx={{ width: 124, flex: 'none', borderLeft: `1px solid ${colours.line}`, p: 1.5 }}>
        <Button
          fullWidth
          variant="outlined"
          startIcon={<AddIcon />}
          onClick={() => usePrintChoice.setState({ job: null })}
        >
          Order
        </Button>
        <Button
          fullWidth
          variant="outlined"
          color="inherit"
          sx={{ mt: 1.5, borderColor: colours.line }}
          onClick={() => void download(api.sheetUrl(desk.state.id, 'shots'))}
        >
          Contact sheet
        </Button>
        <Button
          fullWidth
          variant="outlined"
          color="inherit"
          sx={{ mt: 1.5, borderColor: colours.line }}
          onClick={() => void download(api.sheetUrl(desk.state.id, 'lights', shot.id))}
        >
          Light report
        </Button>
      </Box>
    </Box>
  );
}

function JobCard({ job, chosen }: { job: PrintJob; chosen: boolean }) {
  const choose = () => usePrintChoice.setState({ job: job.id });
  return (
    <Box
      role="option"
      aria-selected={chosen}
      aria-label={`Print ${job.id}: ${job.shotName}`}
      tabIndex={0}
      onClick={choose}
      onKeyDown={(e) => e.key === 'Enter' && choose()}
      sx={{
        display: 'flex',
        gap: 2,
        p: 1,
        cursor: 'pointer',
        overflow: 'hidden',
        borderRadius: 1.5,
        bgcolor: chosen ? colours.control : colours.raised,
        border: `1px solid ${chosen ? colours.ember : colours.line}`,
      }}
    >
      <Box
        component="img"
        alt=""
        src={api.printPictureUrl(job)}
        onError={(e) => (e.currentTarget.style.visibility = 'hidden')}
        onLoad={(e) => (e.currentTarget.style.visibility = 'visible')}
        sx={{ width: 108, height: '100%', objectFit: 'contain', bgcolor: colours.surround }}
      />
      <Box sx={{ minWidth: 0, flex: 1 }}>
        <Typography variant="caption" noWrap component="div" sx={{ fontWeight: 600 }}>
          {job.shootName} · {job.shotName}
        </Typography>
        <Typography variant="caption" noWrap component="div" color="text.secondary">
          {job.order.width} × {job.order.height},{' '}
          {job.order.frames && `frames ${framesOf(job.order.frames)}, `}
          {cleanOf(job)}
        </Typography>
        <Typography
          variant="caption"
          noWrap
          component="div"
          title={stateOf(job)}
          sx={{ color: job.state === 'failed' ? colours.error : colours.quiet }}
        >
          {stateOf(job)}
          {leftOf(job) && `, ${leftOf(job)}`}
        </Typography>
        <LinearProgress
          variant="determinate"
          aria-label={`Progress of print ${job.id}`}
          value={100 * job.done}
          sx={{ mt: 1, height: 3, borderRadius: 1, bgcolor: colours.line }}
        />
      </Box>
    </Box>
  );
}
