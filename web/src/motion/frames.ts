import { create } from 'zustand';

/** A small frame as a picture; one that is not fresh shows the shoot as it was before a change. */
export interface DraftFrame {
  picture: ImageBitmap;
  fresh: boolean;
}

interface Frames {
  /** By number. */
  drafts: ReadonlyMap<number, DraftFrame>;
}

/** The small frames that are there to be played. */
export const useFrames = create<Frames>(() => ({ drafts: new Map() }));

/** Frames that are kept at most. */
export const MOST_FRAMES = 720;

/** Frames from one that is made to the next: first few over the whole range, then those between. */
const STRIDES = [8, 4, 2, 1];

/**
 * The frame wanted next of those that are not fresh: while it plays the nearest after the playhead;
 * else first every eighth of the range, then those between, the nearest to the playhead first.
 */
export function wantedNext(
  drafts: ReadonlyMap<number, DraftFrame>,
  coming: ReadonlySet<number>,
  range: { first: number; last: number; at: number; playing: boolean },
): number | null {
  const length = range.last - range.first + 1;
  const at = Math.min(range.last, Math.max(range.first, range.at));
  const ahead = Math.min(length, MOST_FRAMES);
  const missing = (frame: number) => !coming.has(frame) && !drafts.get(frame)?.fresh;
  if (missing(at)) return at;
  for (const stride of range.playing ? [1] : STRIDES) {
    for (let i = 0; i < ahead; i++) {
      const frame = range.first + ((at - range.first + i) % length);
      if ((frame - range.first) % stride === 0 && missing(frame)) return frame;
    }
  }
  return null;
}

/** The fresh frame nearest to another, if there is one so near. */
export function nearest(
  drafts: ReadonlyMap<number, DraftFrame>,
  frame: number,
  within: number,
): number | null {
  for (let far = 0; far <= within; far++) {
    for (const near of [frame - far, frame + far]) if (drafts.get(near)?.fresh) return near;
  }
  return null;
}

/** Puts a frame among those that are there; those far from it go when there are too many. */
export function withFrame(
  drafts: ReadonlyMap<number, DraftFrame>,
  frame: number,
  picture: ImageBitmap,
): Map<number, DraftFrame> {
  const next = new Map(drafts);
  next.get(frame)?.picture.close();
  next.set(frame, { picture, fresh: true });
  while (next.size > MOST_FRAMES) {
    const far = [...next.keys()].reduce((a, b) =>
      Math.abs(b - frame) > Math.abs(a - frame) ? b : a,
    );
    next.get(far)?.picture.close();
    next.delete(far);
  }
  return next;
}

/** All frames as they were, to be made anew. */
export function outdated(drafts: ReadonlyMap<number, DraftFrame>): Map<number, DraftFrame> {
  return new Map([...drafts].map(([frame, draft]) => [frame, { ...draft, fresh: false }]));
}
