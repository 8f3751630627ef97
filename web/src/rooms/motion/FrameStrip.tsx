import Box from '@mui/material/Box';
import { useEffect, useRef } from 'react';
import type { Motion } from '../../api/document';
import { nearest, useFrames } from '../../motion/frames';
import { useTime } from '../../motion/time';
import { colours } from '../../theme/theme';
import type { TimeScale } from './useTimeScale';

export const STRIP_HEIGHT = 36;
const PICTURE_WIDTH = (STRIP_HEIGHT * 16) / 9;

/** Frames whose pictures fit over a time line side by side, each at the middle of its picture. */
export function stripFrames(scale: TimeScale, motion: Motion): { frame: number; x: number }[] {
  const count = Math.max(1, Math.floor(scale.width / PICTURE_WIDTH));
  const wide = scale.width / count;
  const at = Array.from({ length: count }, (_, i) => {
    const x = (i + 0.5) * wide;
    const frame = Math.round(scale.frame(x));
    return { frame: Math.min(motion.lastFrame, Math.max(motion.firstFrame, frame)), x: i * wide };
  });
  return at;
}

/** Small pictures of frames along the time line; a click goes there. */
export function FrameStrip({ scale, motion }: { scale: TimeScale; motion: Motion }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drafts = useFrames((f) => f.drafts);
  useEffect(() => {
    const to = canvas.current;
    const g = to?.getContext('2d');
    if (!to || !g) return;
    const dots = window.devicePixelRatio || 1;
    to.width = Math.round(scale.width * dots);
    to.height = Math.round(STRIP_HEIGHT * dots);
    g.scale(dots, dots);
    const at = stripFrames(scale, motion);
    const wide = scale.width / at.length;
    for (const { frame, x } of at) {
      const half = Math.ceil((scale.to - scale.from) / at.length / 2);
      const draft = drafts.get(nearest(drafts, frame, half) ?? frame);
      g.fillStyle = colours.raised;
      g.fillRect(x, 0, wide - 1, STRIP_HEIGHT);
      if (!draft) continue;
      const { width, height } = draft.picture;
      const cut = Math.min(width, (height * (wide - 1)) / STRIP_HEIGHT);
      g.globalAlpha = draft.fresh ? 1 : 0.5;
      g.drawImage(draft.picture, (width - cut) / 2, 0, cut, height, x, 0, wide - 1, STRIP_HEIGHT);
      g.globalAlpha = 1;
    }
  }, [drafts, scale, motion]);
  return (
    <Box
      component="canvas"
      ref={canvas}
      role="img"
      aria-label="Frames along the time"
      onClick={(e: React.MouseEvent<HTMLCanvasElement>) => {
        const frame = Math.round(
          scale.frame(e.clientX - e.currentTarget.getBoundingClientRect().left),
        );
        useTime.setState({
          frame: Math.min(motion.lastFrame, Math.max(motion.firstFrame, frame)),
          playing: false,
        });
      }}
      style={{ display: 'block', width: scale.width, height: STRIP_HEIGHT, cursor: 'pointer' }}
    />
  );
}
