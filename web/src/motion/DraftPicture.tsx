import { useEffect, useRef } from 'react';
import { useLive } from '../live/store';
import { MOST_FRAMES, nearest, useFrames } from './frames';
import { useTime } from './time';

const NEAR_FRAMES = 4;

/** The small frame of the time that is shown, over the picture: while it plays, and until the live
 * picture is of that time too. */
export function DraftPicture({ width, height }: { width: number; height: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = useTime((t) => t.frame);
  const playing = useTime((t) => t.playing);
  const seeking = useLive((s) => s.seeking);
  // Until the live picture has come, a frame near by says more than one from elsewhere; while it
  // plays and waits for one, any says more than none.
  const draft = useFrames((f) =>
    f.drafts.get(nearest(f.drafts, frame, playing ? MOST_FRAMES : NEAR_FRAMES) ?? NaN),
  );
  const shown = draft !== undefined && (playing || seeking);
  useEffect(() => {
    const to = canvas.current;
    if (!to || !shown) return;
    to.width = draft.picture.width;
    to.height = draft.picture.height;
    to.getContext('2d')?.drawImage(draft.picture, 0, 0);
  }, [draft, shown]);
  if (!shown) return null;
  return (
    <canvas
      ref={canvas}
      data-testid="draft-picture"
      data-frame={frame}
      aria-hidden
      style={{
        position: 'absolute',
        inset: 0,
        width,
        height,
      }}
    />
  );
}
