import type { Vector } from '../api/document';

/** From where the plan is seen. */
export type From = 'top' | 'side' | 'front';

/** Metres to the right and down on the plan. */
export function onPlan(from: From, [x, y, z]: Vector): [right: number, down: number] {
  return from === 'top' ? [x, z] : from === 'side' ? [-z, -y] : [x, -y];
}

/** A step on the plan as one in the world. */
export function inSpace(from: From, right: number, down: number): Vector {
  return from === 'top'
    ? [right, 0, down]
    : from === 'side'
      ? [0, -down, -right]
      : [right, -down, 0];
}

/** Corners of an outline, two numbers each, on the plan. */
export function outlined(from: From, corners: number[]): [number, number][] {
  const to: [number, number][] = [];
  for (let i = 0; i + 1 < corners.length; i += 2) {
    const [a, b] = [corners[i]!, corners[i + 1]!];
    to.push(from === 'top' ? [a, b] : from === 'side' ? [-a, -b] : [a, -b]);
  }
  return to;
}

export interface Window {
  /** Middle, metres. */
  x: number;
  y: number;
  /** Pixels a metre. */
  scale: number;
}

/** The window that shows all points with some room about them. */
export function fitted(points: [number, number][], width: number, height: number): Window {
  if (points.length === 0 || width === 0 || height === 0) return { x: 0, y: 0, scale: 60 };
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(
    width / Math.max(0.5, (right - left) * 1.2),
    height / Math.max(0.5, (bottom - top) * 1.2),
  );
  return { x: (left + right) / 2, y: (top + bottom) / 2, scale };
}

/** A round length, 1, 2 or 5 times a power of ten, that is about so many pixels long. */
export function barMetres(scale: number, pixels: number): number {
  const wanted = pixels / scale;
  const power = 10 ** Math.floor(Math.log10(wanted));
  const part = wanted / power;
  return (part >= 5 ? 5 : part >= 2 ? 2 : 1) * power;
}
