import type { Shot, Vector } from '../api/document';
import { minus, plus, projected, times } from './frame';

/** Where a light is, as seen in the picture from where it is aimed. */
export interface Ghost {
  /** Of the picture's width and height. */
  from: { x: number; y: number };
  to: { x: number; y: number };
  /** Whether the light itself stands in the frame; else `to` is where the way leaves it. */
  inside: boolean;
  metres: number;
}

const NEAR = 1e-3;

/** How a light that is being placed lies to what it is aimed at; null when that is not in view. */
export function ghostOf(shot: Shot, aspect: number, place: Vector, aim: Vector): Ghost | null {
  const from = projected(shot, aspect, aim);
  if (!from) return null;
  const way = minus(place, aim);
  const metres = Math.hypot(...way);
  const at = projected(shot, aspect, place);
  if (at && at.x >= 0 && at.x <= 1 && at.y >= 0 && at.y <= 1) {
    return { from, to: at, inside: true, metres };
  }
  // What stands behind the camera has no place in the picture, but its way there begins in it.
  const next = at ?? projected(shot, aspect, plus(aim, times(way, NEAR)));
  if (!next) return null;
  const dx = next.x - from.x;
  const dy = next.y - from.y;
  const out = (d: number, p: number) => (d > 0 ? (1 - p) / d : d < 0 ? -p / d : Infinity);
  const part = Math.min(out(dx, from.x), out(dy, from.y));
  if (!Number.isFinite(part) || part < 0) return null;
  return { from, to: { x: from.x + part * dx, y: from.y + part * dy }, inside: false, metres };
}
