import FiberManualRecordIcon from '@mui/icons-material/FiberManualRecord';
import PauseIcon from '@mui/icons-material/Pause';
import PlayArrowIcon from '@mui/icons-material/PlayArrow';
import SkipNextIcon from '@mui/icons-material/SkipNext';
import SkipPreviousIcon from '@mui/icons-material/SkipPrevious';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import type { Motion } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { secondsOf, timeText, useTime } from '../../motion/time';
import { colours, mono } from '../../theme/theme';
import { useMotion } from './motionChoice';

function Action(p: { name: string; pressed?: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <Tooltip title={p.name}>
      <IconButton aria-label={p.name} aria-pressed={p.pressed} onClick={p.onClick} sx={{ p: 0.5 }}>
        {p.children}
      </IconButton>
    </Tooltip>
  );
}

/** The next frame with a key before or after another; the end of the range where there is none. */
export function nextKey(motion: Motion, frame: number, way: 1 | -1): number {
  const at = motion.tracks
    .flatMap((track) => track.keys.map((key) => Math.round(key.seconds * motion.framesPerSecond)))
    .filter((f) => (way > 0 ? f > frame : f < frame));
  if (at.length === 0) return way > 0 ? motion.lastFrame : motion.firstFrame;
  return way > 0 ? Math.min(...at) : Math.max(...at);
}

/** Plays, steps from key to key, records; says the time. */
export function Transport() {
  const { motion } = useDesk().document;
  const { frame, playing, record, inSeconds } = useTime();
  const { shown, snap } = useMotion();
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, px: 1.5, height: 30 }}>
      <Action
        name="Key before"
        onClick={() => useTime.setState({ frame: nextKey(motion, frame, -1), playing: false })}
      >
        <SkipPreviousIcon fontSize="inherit" />
      </Action>
      <Action
        name={playing ? 'Stop' : 'Play'}
        onClick={() => useTime.setState({ playing: !playing })}
      >
        {playing ? <PauseIcon fontSize="inherit" /> : <PlayArrowIcon fontSize="inherit" />}
      </Action>
      <Action
        name="Key after"
        onClick={() => useTime.setState({ frame: nextKey(motion, frame, 1), playing: false })}
      >
        <SkipNextIcon fontSize="inherit" />
      </Action>
      <Action
        name={record ? 'Stop recording keys' : 'Record keys of all that is changed'}
        pressed={record}
        onClick={() => useTime.setState({ record: !record })}
      >
        <FiberManualRecordIcon
          fontSize="inherit"
          sx={{ color: record ? colours.ember : colours.quiet }}
        />
      </Action>
      <Tooltip title={inSeconds ? 'Say times in frames' : 'Say times in seconds'}>
        <Box
          component="button"
          type="button"
          data-testid="time"
          aria-label={`Frame ${frame}, ${secondsOf(motion, frame).toFixed(2)} seconds`}
          onClick={() => useTime.setState({ inSeconds: !inSeconds })}
          sx={{
            all: 'unset',
            cursor: 'pointer',
            fontFamily: mono,
            fontSize: 12,
            minWidth: 74,
            textAlign: 'right',
            '&:focus-visible': { outline: `2px solid ${colours.ember}` },
          }}
        >
          {timeText(motion, frame, inSeconds)}
          <Box component="span" sx={{ color: colours.quiet }}>
            {inSeconds
              ? ` of ${secondsOf(motion, motion.lastFrame).toFixed(2)}`
              : ` of ${motion.lastFrame}`}
          </Box>
        </Box>
      </Tooltip>
      <Box sx={{ flex: 1 }} />
      <Choice
        on={snap}
        text="Snap"
        name="Keys on whole frames"
        onClick={() => useMotion.setState({ snap: !snap })}
      />
      <Choice
        on={shown === 'curves'}
        text="Curves"
        name={shown === 'curves' ? 'Show keys as rows' : 'Show chosen tracks as curves'}
        onClick={() => useMotion.setState({ shown: shown === 'curves' ? 'keys' : 'curves' })}
      />
    </Box>
  );
}

function Choice(p: { on: boolean; text: string; name: string; onClick: () => void }) {
  return (
    <Tooltip title={p.name}>
      <Box
        component="button"
        type="button"
        aria-pressed={p.on}
        aria-label={p.name}
        onClick={p.onClick}
        sx={{
          border: 'none',
          borderRadius: 1,
          px: 1.5,
          height: 20,
          font: 'inherit',
          fontSize: 11,
          cursor: 'pointer',
          color: p.on ? colours.text : colours.quiet,
          bgcolor: p.on ? colours.control : 'transparent',
        }}
      >
        {p.text}
      </Box>
    </Tooltip>
  );
}
