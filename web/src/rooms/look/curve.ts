import type { CurvePoint } from '../../api/document';

/** Closest that two points of a curve may come, across. */
const APART = 0.01;

export const straight: CurvePoint[] = [
  { x: 0, y: 0 },
  { x: 1, y: 1 },
];

function slope(p: CurvePoint[], i: number): number {
  return (p[i + 1]!.y - p[i]!.y) / (p[i + 1]!.x - p[i]!.x);
}

/** As the renderer draws it: a monotone cubic (Fritsch and Butland 1984). */
function tangent(p: CurvePoint[], i: number): number {
  const last = p.length - 1;
  if (i === 0) return slope(p, 0);
  if (i === last) return slope(p, last - 1);
  const a = slope(p, i - 1);
  const b = slope(p, i);
  if (a * b <= 0) return 0;
  const h = p[i]!.x - p[i - 1]!.x;
  const k = p[i + 1]!.x - p[i]!.x;
  return (3 * (h + k)) / ((2 * k + h) / a + (k + 2 * h) / b);
}

/** Height of a curve at a place; straight without points. */
export function through(p: CurvePoint[], x: number): number {
  if (p.length === 0) return x;
  if (x <= p[0]!.x) return p[0]!.y;
  if (x >= p.at(-1)!.x) return p.at(-1)!.y;
  let i = 0;
  while (p[i + 1]!.x < x) i++;
  const h = p[i + 1]!.x - p[i]!.x;
  const t = (x - p[i]!.x) / h;
  const y =
    (2 * t ** 3 - 3 * t ** 2 + 1) * p[i]!.y +
    (t ** 3 - 2 * t ** 2 + t) * h * tangent(p, i) +
    (3 * t ** 2 - 2 * t ** 3) * p[i + 1]!.y +
    (t ** 3 - t ** 2) * h * tangent(p, i + 1);
  return Math.min(1, Math.max(0, y));
}

const round = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;

/** A point more, where there is room for it. */
export function withPoint(points: CurvePoint[], x: number, y: number): CurvePoint[] {
  const from = points.length === 0 ? straight : points;
  if (from.some((p) => Math.abs(p.x - x) < APART)) return from;
  return [...from, { x: round(x), y: round(y) }].sort((a, b) => a.x - b.x);
}

/** A point moved, between its neighbours. */
export function moved(points: CurvePoint[], i: number, x: number, y: number): CurvePoint[] {
  const least = i === 0 ? 0 : points[i - 1]!.x + APART;
  const most = i === points.length - 1 ? 1 : points[i + 1]!.x - APART;
  return points.with(i, { x: round(Math.min(most, Math.max(least, x))), y: round(y) });
}

/** A point less; what is straight then has none. */
export function withoutPoint(points: CurvePoint[], i: number): CurvePoint[] {
  const left = points.filter((_, at) => at !== i);
  const plain =
    left.length < 2 || (left.length === 2 && left.every((p) => Math.abs(p.x - p.y) < 1e-6));
  return plain ? [] : left;
}
