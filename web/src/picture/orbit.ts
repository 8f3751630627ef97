import type { Shot, Vector } from '../api/document';

const POLE = Math.PI / 2 - 0.01;

/** The camera turned about its aim: radians round the upright axis, and up. */
export function orbited(shot: Shot, round: number, up: number): Vector {
  const [x, y, z] = [0, 1, 2].map((i) => shot.position[i]! - shot.aim[i]!) as Vector;
  const reach = Math.hypot(x, y, z);
  const along = Math.atan2(x, z) + round;
  const rise = Math.min(POLE, Math.max(-POLE, Math.asin(y / reach) + up));
  return [
    shot.aim[0] + reach * Math.cos(rise) * Math.sin(along),
    shot.aim[1] + reach * Math.sin(rise),
    shot.aim[2] + reach * Math.cos(rise) * Math.cos(along),
  ];
}

/** The camera nearer to (below 1) or farther from (above 1) its aim. */
export function dollied(shot: Shot, factor: number): Vector {
  return shot.position.map((p, i) => shot.aim[i]! + (p - shot.aim[i]!) * factor) as Vector;
}

/** Camera and aim moved together, by shares of the picture's width to the right and up. */
export function slid(shot: Shot, right: number, up: number): { position: Vector; aim: Vector } {
  const back = [0, 1, 2].map((i) => shot.position[i]! - shot.aim[i]!) as Vector;
  const reach = Math.hypot(...back);
  const width = (reach * shot.sensorWidthMm) / shot.focalLengthMm;
  const flat = Math.hypot(back[0], back[2]) || 1e-9;
  const r: Vector = [back[2] / flat, 0, -back[0] / flat];
  const b = back.map((x) => x / reach) as Vector;
  const u: Vector = [
    b[1] * r[2] - b[2] * r[1],
    b[2] * r[0] - b[0] * r[2],
    b[0] * r[1] - b[1] * r[0],
  ];
  const move = (p: Vector) => p.map((x, i) => x + width * (right * r[i]! + up * u[i]!)) as Vector;
  return { position: move(shot.position), aim: move(shot.aim) };
}
