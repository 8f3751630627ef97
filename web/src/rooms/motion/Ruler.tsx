import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';
import type { Motion } from '../../api/document';
import { timeText, useTime } from '../../motion/time';
import { colours, mono } from '../../theme/theme';
import type { TimeScale } from './useTimeScale';

export const RULER_HEIGHT = 18;

interface Props {
  motion: Motion;
  scale: TimeScale;
  /** Frames whose pictures are there to be played. */
  ready: number[];
}

/** Frames or seconds over the time line; dragging in it moves the time that is shown. */
export function Ruler({ motion, scale, ready }: Props) {
  const inSeconds = useTime((t) => t.inSeconds);
  const frame = useTime((t) => t.frame);
  const seek = (e: PointerEvent<HTMLElement>) => {
    if (e.type === 'pointerdown') e.currentTarget.setPointerCapture(e.pointerId);
    else if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const left = e.currentTarget.getBoundingClientRect().left;
    const to = Math.round(scale.frame(e.clientX - left));
    const within = Math.min(motion.lastFrame, Math.max(motion.firstFrame, to));
    if (within !== frame) useTime.setState({ frame: within, playing: false });
  };
  return (
    <Box
      role="slider"
      aria-label="Time"
      aria-valuemin={motion.firstFrame}
      aria-valuemax={motion.lastFrame}
      aria-valuenow={frame}
      tabIndex={0}
      data-ruler
      onPointerDown={seek}
      onPointerMove={seek}
      onKeyDown={(e) => {
        const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
        if (by === 0) return;
        e.preventDefault();
        const to = frame + by * (e.shiftKey ? 10 : 1);
        useTime.setState({
          frame: Math.min(motion.lastFrame, Math.max(motion.firstFrame, to)),
          playing: false,
        });
      }}
      sx={{
        position: 'relative',
        height: RULER_HEIGHT,
        cursor: 'ew-resize',
        touchAction: 'none',
        overflow: 'hidden',
        borderBottom: `1px solid ${colours.line}`,
        userSelect: 'none',
      }}
    >
      <Range motion={motion} scale={scale} ready={ready} />
      <Marks motion={motion} scale={scale} inSeconds={inSeconds} />
    </Box>
  );
}

/** The range that is played, and under it the frames that are there. */
function Range({ motion, scale, ready }: Props) {
  return (
    <>
      <Box
        aria-hidden
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          left: scale.x(motion.firstFrame),
          width: Math.max(0, scale.x(motion.lastFrame) - scale.x(motion.firstFrame)),
          bgcolor: colours.raised,
        }}
      />
      {ready.map((f) => (
        <Box
          key={f}
          aria-hidden
          sx={{
            position: 'absolute',
            bottom: 0,
            height: 2,
            left: scale.x(f - 0.5),
            width: Math.max(1, scale.x(f + 0.5) - scale.x(f - 0.5)),
            bgcolor: colours.quiet,
          }}
        />
      ))}
    </>
  );
}

/** Times at even distances. */
function Marks({ motion, scale, inSeconds }: Omit<Props, 'ready'> & { inSeconds: boolean }) {
  const marks: number[] = [];
  const first = Math.ceil(scale.from / scale.every) * scale.every;
  for (let f = first; f <= scale.to; f += scale.every) marks.push(f);
  return (
    <>
      {marks.map((f) => (
        <Box
          key={f}
          component="span"
          sx={{
            position: 'absolute',
            left: scale.x(f),
            bottom: 2,
            pl: '3px',
            height: 12,
            lineHeight: '12px',
            borderLeft: `1px solid ${colours.line}`,
            fontFamily: mono,
            fontSize: 10,
            color: colours.quiet,
          }}
        >
          {timeText(motion, f, inSeconds)}
        </Box>
      ))}
    </>
  );
}
