import type { Look } from '../../api/document';

/** The display curve of docs/rendering.md, for drawing: exposed value to display value. */
export function shoulder(x: number, look: Pick<Look, 'shoulderStart' | 'shoulderStops'>): number {
  const s = look.shoulderStart;
  const white = 2 ** look.shoulderStops;
  if (x <= s) return x;
  if (s >= 1 || x >= white) return Math.min(1, s >= 1 ? x : 1);
  const t = (x - s) / (1 - s);
  const w = (white - s) / (1 - s);
  return Math.min(1, s + ((1 - s) * t * (1 + t / (w * w))) / (1 + t));
}
