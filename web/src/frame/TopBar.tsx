import PauseIcon from '@mui/icons-material/Pause';
import PlayArrowIcon from '@mui/icons-material/PlayArrow';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useLive } from '../live/store';
import { useCalm } from '../live/useCalm';
import { useChannel, useDesk } from '../live/useShoot';
import { colours, mono, sizes } from '../theme/theme';
import { duration } from './duration';
import { SavedNote } from './SavedNote';
import { SaveMenu } from './SaveMenu';
import { ShootMenu } from './ShootMenu';
import { ShotMenu } from './ShotMenu';
import { TimeChip } from '../motion/TimeChip';
import { ViewMenu } from './ViewMenu';

/** Mark, shoot, shot, undo and redo, saving, and the pill. */
export function TopBar() {
  const desk = useDesk();
  const { undo, redo } = desk.state;
  return (
    <Box
      component="header"
      sx={{
        gridArea: 'top',
        height: sizes.top,
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        px: 3,
        borderBottom: `1px solid ${colours.line}`,
      }}
    >
      <img src="/mark.svg" width={22} height={22} alt="Level Ember" />
      <ShootMenu />
      <ShotMenu />
      <ViewMenu />
      <Box sx={{ flex: 1 }} />
      <Step name={undo ? `Undo: ${undo}` : 'Nothing to undo'} off={!undo} onClick={desk.undo}>
        <UndoIcon fontSize="inherit" />
      </Step>
      <Step name={redo ? `Redo: ${redo}` : 'Nothing to redo'} off={!redo} onClick={desk.redo}>
        <RedoIcon fontSize="inherit" />
      </Step>
      <TimeChip />
      <SavedNote />
      <SaveMenu />
      <Pill />
    </Box>
  );
}

function Step(p: { name: string; off: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <Tooltip title={p.name}>
      <span>
        <IconButton aria-label={p.name} disabled={p.off} onClick={p.onClick}>
          {p.children}
        </IconButton>
      </span>
    </Tooltip>
  );
}

/** Whether the denoised picture can be judged, or when it can be; nothing where that is not known. */
export function cleanIn(seconds: number | null, tracing: boolean): string {
  if (seconds === null) return '';
  return seconds <= 0 ? 'clean' : tracing ? `clean in ${duration(seconds)}` : '';
}

/** Samples, and what the last touch cost; a click pauses and goes on. */
function Pill() {
  const channel = useChannel();
  const connected = useLive((s) => s.connected);
  const paused = useLive((s) => s.paused);
  const { frame, progress, handMillis } = useCalm();
  const wanted = useLive((s) => s.wantedPercent);
  const samples = frame?.samples ?? 0;
  const denoised = frame?.denoised ?? false;
  const state = !connected
    ? 'not connected'
    : paused
      ? 'paused'
      : progress?.state === 'done'
        ? 'done'
        : 'tracing';
  const noise = progress?.noisePercent;
  const plain = useLive((s) => ['shaded', 'unlit', 'mesh', 'pieces'].includes(s.view.kind));
  const detail = plain
    ? 'without light'
    : frame && frame.step > 1
      ? `${denoised ? 'light at ' : ''}1/${frame.step} size`
      : noise == null
        ? `${samples} spp`
        : `${noise.toPrecision(2)} % noise`;
  const small = progress?.smaller && !plain ? ', low memory' : '';
  const left = state === 'tracing' ? progress?.secondsLeft : null;
  const error = denoised ? progress?.denoisedErrorPercent : null;
  const clean = denoised ? cleanIn(progress?.secondsToClean ?? null, state === 'tracing') : '';
  const rays = frame ? `${short(frame.rays)} rays since the last change` : '';
  const hand = handMillis === null ? '' : `, shown after ${Math.round(handMillis)} ms`;
  return (
    <Tooltip
      title={`${state}; ${Math.round(progress?.samples ?? 0)} samples a pixel${denoised ? ', shown denoised' : ''}${error == null ? '' : ` with an error of about ${error.toPrecision(2)} % of display values`}${left == null ? '' : `, ${duration(left)} to ${wanted} % noise`}, ${rays}${hand}; layers take ${short(progress?.filmBytes ?? 0)}B of ${short(progress?.mostFilmBytes ?? 0)}B at most, pictures ${short(progress?.pictureBytes ?? 0)}B; ${short(progress?.triangles ?? 0)} triangles${progress?.smaller ? '; the picture is smaller than its place, as memory is short: close other shoots or make the window smaller' : ''}${progress?.dropped ? `; ${progress.dropped} contributions were no finite numbers and are left out` : ''}. Click to ${paused ? 'go on' : 'pause'}.`}
    >
      <Box
        component="button"
        type="button"
        aria-label={`${detail}${denoised ? ', denoised' : ''}, ${state}`}
        data-testid="pill"
        data-samples={samples}
        data-rays={frame?.rays ?? ''}
        data-hand={handMillis === null ? '' : Math.round(handMillis)}
        onClick={() => channel?.pause(!paused)}
        sx={{
          all: 'unset',
          cursor: 'pointer',
          display: 'flex',
          alignItems: 'center',
          gap: 1.5,
          px: 2.5,
          height: 26,
          minWidth: 150,
          justifyContent: 'flex-end',
          borderRadius: 13,
          bgcolor: colours.control,
          fontFamily: mono,
          fontSize: 12,
          '&:focus-visible': { outline: `2px solid ${colours.ember}` },
        }}
      >
        <Box
          aria-hidden
          sx={{
            width: 8,
            height: 8,
            borderRadius: 4,
            bgcolor:
              state === 'tracing' && !plain
                ? colours.ember
                : state === 'not connected'
                  ? colours.error
                  : colours.quiet,
          }}
        />
        <span>{connected ? `${detail}${small}` : 'not connected'}</span>
        {denoised && <span>denoised</span>}
        <Box component="span" sx={{ color: colours.quiet }}>
          {plain
            ? ''
            : clean ||
              (left == null || noise == null || !frame || frame.step > 1
                ? frame
                  ? `${short(frame.rays)} rays`
                  : ''
                : `${duration(left)} to ${wanted} %`)}
        </Box>
        {paused ? <PlayArrowIcon sx={{ fontSize: 14 }} /> : <PauseIcon sx={{ fontSize: 14 }} />}
      </Box>
    </Tooltip>
  );
}

function short(n: number): string {
  if (n >= 1e9) return `${(n / 1e9).toFixed(1)} G`;
  if (n >= 1e6) return `${(n / 1e6).toFixed(1)} M`;
  if (n >= 1e3) return `${(n / 1e3).toFixed(0)} k`;
  return `${n}`;
}
