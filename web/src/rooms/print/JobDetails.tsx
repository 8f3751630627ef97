import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import { useState } from 'react';
import { api } from '../../api/client';
import type { PrintJob } from '../../api/document';
import { Fold } from '../../controls/Fold';
import { NumberField } from '../../controls/NumberField';
import { duration } from '../../frame/duration';
import { useDownload } from '../../live/useDownload';
import { say } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { cleanOf, framesOf, leftOf, stateOf } from './jobWords';
import { bytesOf, goalOf, goalValue, isOfFrames, quantitiesOf, withGoal } from './order';
import { Flicker } from './Flicker';
import { usePrintChoice } from './usePrints';

/** Opens the shoot in this page as it was when the print was ordered. */
async function openAsShoot(job: PrintJob) {
  const made = await api.openPrint(job.id);
  window.location.assign(`#/${made.id}`);
}

/** A job: how far it is, what can be done with it, its files. */
export function JobDetails({ job }: { job: PrintJob }) {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const act = async (what: () => Promise<unknown>, said?: string) => {
    setBusy(true);
    try {
      await what();
      if (said) enqueueSnackbar(said);
    } catch (error) {
      say(error);
    } finally {
      setBusy(false);
      await client.invalidateQueries({ queryKey: ['prints'] });
      await client.invalidateQueries({ queryKey: ['shoots'] });
    }
  };
  const button = (text: string, what: () => Promise<unknown>, said?: string) => (
    <Button
      variant="outlined"
      color="inherit"
      disabled={busy}
      onClick={() => void act(what, said)}
      sx={{ borderColor: colours.line }}
    >
      {text}
    </Button>
  );
  const { state } = job;
  const open = state === 'waiting' || state === 'printing';
  const ended = state === 'done' || state === 'stopped';
  const frames = isOfFrames(job.order);
  return (
    <Box>
      <Typography variant="subtitle2" component="h2">
        Print {job.id}
      </Typography>
      <Facts job={job} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 2 }}>
        {open && button('Pause', () => api.actOnPrint(job.id, 'pause'))}
        {state === 'paused' && button('Go on', () => api.actOnPrint(job.id, 'resume'))}
        {state === 'waiting' && button('Print first', () => api.actOnPrint(job.id, 'first'))}
        {(open || state === 'paused') &&
          button('Stop and keep', () => api.actOnPrint(job.id, 'stop'))}
        {(state === 'failed' || state === 'stopped') &&
          button('Try again', () => api.actOnPrint(job.id, 'retry'))}
        {button('Delete', async () => {
          await api.deletePrint(job.id);
          usePrintChoice.setState({ job: null });
        })}
      </Box>
      {frames && (ended || state === 'failed') && (
        <Fold title="From the shoot as it is now" open>
          <Typography variant="caption" color="text.secondary" component="p">
            Frames that look other in it are printed again; all others stay.
          </Typography>
          {button('Print what changed', () => api.refreshPrint(job.id))}
        </Fold>
      )}
      {frames && job.files.length > 0 && <Flicker job={job} />}
      {!frames && (ended || state === 'paused') && <Further job={job} act={act} />}
      {!frames && ended && (
        <Fold title="From its film" open>
          <Typography variant="caption" color="text.secondary" component="p">
            Files with the levels and looks that the shoot has now, without tracing.
          </Typography>
          {button('Develop again', () => api.developPrint(job.id), 'New files are written')}
        </Fold>
      )}
      <Fold title="Shoot as ordered">
        {button(
          'Open as a shoot',
          () => openAsShoot(job),
          'The shoot is as it was when the print was ordered',
        )}
      </Fold>
      {job.files.length > 0 && <FilesOf job={job} />}
    </Box>
  );
}

function Facts({ job }: { job: PrintJob }) {
  const facts: [string, string][] = [
    ['Shot', `${job.shootName} · ${job.shotName}`],
    ['Size', `${job.order.width} × ${job.order.height}`],
    ...(job.order.frames ? ([['Frames', framesOf(job.order.frames)]] as [string, string][]) : []),
    ['State', stateOf(job)],
    ['Clean', cleanOf(job)],
    ['Traced', duration(job.tracedSeconds)],
    ...(leftOf(job) ? ([['Left', leftOf(job)]] as [string, string][]) : []),
    [isOfFrames(job.order) ? 'Kept' : 'Film', bytesOf(job.filmBytes)],
  ];
  return (
    <Box
      component="dl"
      sx={{ display: 'grid', gridTemplateColumns: '64px 1fr', gap: 0.5, fontSize: 12, m: 0, mt: 1 }}
    >
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: colours.quiet }}>
            {name}
          </Box>
          <Box component="dd" sx={{ m: 0, wordBreak: 'break-word' }}>
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

interface FurtherProps {
  job: PrintJob;
  act: (what: () => Promise<unknown>, said?: string) => Promise<void>;
}

/** Another target, to which it is traced from what it has. */
function Further({ job, act }: FurtherProps) {
  const goal = goalOf(job.order);
  const now = goalValue(job.order);
  const [value, setValue] = useState(goal === 'noise' ? now / 2 : now * 2);
  return (
    <Fold title="Print further" open>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-end' }}>
        <Box sx={{ flex: 1 }}>
          <NumberField
            label={goal === 'noise' ? 'Noise' : goal === 'samples' ? 'Samples' : 'Time in all'}
            value={value}
            quantity={quantitiesOf[goal]}
            onTry={setValue}
            onKeep={() => undefined}
            onLeave={() => undefined}
          />
        </Box>
        <Button
          variant="outlined"
          onClick={() => void act(() => api.printFurther(job.id, withGoal(goal, value)))}
        >
          Print further
        </Button>
      </Box>
    </Fold>
  );
}

function FilesOf({ job }: { job: PrintJob }) {
  const download = useDownload();
  return (
    <Fold title="Files" open>
      {job.files.map((file, i) => (
        <Box key={file} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography
            variant="caption"
            title={file}
            sx={{ flex: 1, minWidth: 0, fontFamily: mono, wordBreak: 'break-all' }}
          >
            {file.split('/').slice(-2).join('/')}
          </Typography>
          <Button color="inherit" onClick={() => void download(api.printFileUrl(job.id, i))}>
            Save
          </Button>
        </Box>
      ))}
    </Fold>
  );
}
