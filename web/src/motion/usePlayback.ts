import { useEffect } from 'react';
import type { Motion } from '../api/document';
import { useFrames } from './frames';
import { nextFrame, useTime } from './time';

/** Moves the time on while it plays, at the shoot's rate; a frame that is not there is waited for. */
export function usePlayback(motion: Motion) {
  const playing = useTime((t) => t.playing);
  useEffect(() => {
    if (!playing) return;
    let due = performance.now();
    let wanted = 0;
    const step = (now: number) => {
      wanted = requestAnimationFrame(step);
      if (now < due) return;
      const next = nextFrame(motion, useTime.getState().frame, 1);
      if (!useFrames.getState().drafts.has(next)) {
        due = now;
        return;
      }
      // Late steps are not made up for: no frame is left out.
      due = Math.max(due + 1000 / motion.framesPerSecond, now);
      useTime.setState({ frame: next });
    };
    wanted = requestAnimationFrame(step);
    return () => cancelAnimationFrame(wanted);
  }, [playing, motion]);
}
