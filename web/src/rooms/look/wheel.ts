import type { Vector } from '../../api/document';

/** Where a wheel's dot is: warm to the right, green upwards, and how bright all together. */
export interface Turned {
  warm: number;
  green: number;
  level: number;
}

/** Reads three channels about a neutral value. */
export function turned(v: Vector, neutral: number): Turned {
  const level = (v[0] + v[1] + v[2]) / 3 - neutral;
  const [r, g, b] = v.map((c) => c - neutral - level) as Vector;
  return { warm: (r - b) / 2, green: g, level };
}

/** The three channels of a dot. */
export function channels({ warm, green, level }: Turned, neutral: number): Vector {
  const base = neutral + level;
  const round = (c: number) => Math.round(c * 10000) / 10000;
  return [round(base + warm - green / 2), round(base + green), round(base - warm - green / 2)];
}
