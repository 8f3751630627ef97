import PauseIcon from '@mui/icons-material/Pause';
import PlayArrowIcon from '@mui/icons-material/PlayArrow';
import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import { percent, shareOverGloss } from '../live/overGloss';
import type { LiveState } from '../live/store';
import { useLive } from '../live/store';
import { useThrottledLive } from '../live/useThrottledLive';
import { useChannel, useDesk } from '../live/useShoot';
import { colours, mono } from '../theme/theme';
import { duration } from './duration';

/** Share of the light from which on it is said that it is softened or left out. */
const SAID = 0.01;

/** Whether the denoised picture can be judged, or when it can be; nothing where that is not known. */
export function cleanIn(seconds: number | null, tracing: boolean): string {
  if (seconds === null) return '';
  return seconds <= 0 ? 'clean' : tracing ? `clean in ${duration(seconds)}` : '';
}

/** What of the light is not as physics has it, where that is enough to be seen. */
export function overGlossNote(way: 'everything' | 'soft' | 'none', share: number): string {
  if (way === 'everything' || share < SAID) return '';
  return `${percent(share)} ${way === 'soft' ? 'softened' : 'left out'}`;
}

function title(p: LiveState['progress'], about: (string | false | null | undefined)[]): string {
  const memory = `layers take ${short(p?.filmBytes ?? 0)}B of ${short(p?.mostFilmBytes ?? 0)}B at most, pictures ${short(p?.pictureBytes ?? 0)}B`;
  const smaller =
    p?.smaller &&
    'the picture is smaller than its place, as memory is short: close other shoots or make the window smaller';
  const dropped =
    p?.dropped && `${p.dropped} contributions were no finite numbers and are left out`;
  return [...about, memory, `${short(p?.triangles ?? 0)} triangles`, smaller, dropped]
    .filter(Boolean)
    .join('; ');
}

/** Samples, and what the last touch cost; a click pauses and goes on. */
export function Pill() {
  const { document } = useDesk();
  const channel = useChannel();
  const connected = useLive((s) => s.connected);
  const paused = useLive((s) => s.paused);
  const { frame, progress, handMillis } = useThrottledLive();
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
  const soft = plain
    ? ''
    : overGlossNote(document.bounce.overGloss, shareOverGloss(document, progress));
  const about = [
    `${state}, ${Math.round(progress?.samples ?? 0)} samples a pixel${denoised ? ', shown denoised' : ''}`,
    error != null && `an error of about ${error.toPrecision(2)} % of display values`,
    left != null && `${duration(left)} to ${wanted} % noise`,
    soft && `${soft} where it comes over gloss (see Light over gloss)`,
    frame && `${short(frame.rays)} rays since the last change`,
    handMillis !== null && `shown after ${Math.round(handMillis)} ms`,
  ];
  return (
    <Tooltip title={`${title(progress, about)}. Click to ${paused ? 'go on' : 'pause'}.`}>
      <Box
        component="button"
        type="button"
        aria-label={`${detail}${denoised ? ', denoised' : ''}${soft ? `, ${soft}` : ''}, ${state}`}
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
        {soft && <span>{soft}</span>}
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
