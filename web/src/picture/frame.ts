import type { Piece, Shot, Vector } from '../api/document';

/** An affine map: the images of the three axes, and a shift. */
export interface Frame {
  x: Vector;
  y: Vector;
  z: Vector;
  shift: Vector;
}

export const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vector, s: number): Vector => [a[0] * s, a[1] * s, a[2] * s];
export const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vector) => Math.hypot(...a);
export const unit = (a: Vector): Vector => times(a, 1 / (length(a) || 1));

export const IDENTITY: Frame = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], shift: [0, 0, 0] };

/** Sizes, then turns about X, Y and Z, then moves, as the shoot document has it. */
export function composed(position: Vector, rotationDegrees: Vector, scale: Vector): Frame {
  const [a, b, c] = rotationDegrees.map((d) => (d * Math.PI) / 180) as Vector;
  const [ca, sa, cb, sb] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b)];
  const [cc, sc] = [Math.cos(c), Math.sin(c)];
  return {
    x: times([cc * cb, sc * cb, -sb], scale[0]),
    y: times([cc * sb * sa - sc * ca, sc * sb * sa + cc * ca, cb * sa], scale[1]),
    z: times([cc * sb * ca + sc * sa, sc * sb * ca - cc * sa, cb * ca], scale[2]),
    shift: position,
  };
}

export function direction(f: Frame, v: Vector): Vector {
  return plus(plus(times(f.x, v[0]), times(f.y, v[1])), times(f.z, v[2]));
}

export function point(f: Frame, p: Vector): Vector {
  return plus(direction(f, p), f.shift);
}

/** First b, then a. */
export function after(a: Frame, b: Frame): Frame {
  return {
    x: direction(a, b.x),
    y: direction(a, b.y),
    z: direction(a, b.z),
    shift: point(a, b.shift),
  };
}

export function inverse(f: Frame): Frame {
  const d = dot(f.x, cross(f.y, f.z));
  const r0 = times(cross(f.y, f.z), 1 / d);
  const r1 = times(cross(f.z, f.x), 1 / d);
  const r2 = times(cross(f.x, f.y), 1 / d);
  const to: Frame = {
    x: [r0[0], r1[0], r2[0]],
    y: [r0[1], r1[1], r2[1]],
    z: [r0[2], r1[2], r2[2]],
    shift: [0, 0, 0],
  };
  return { ...to, shift: times(direction(to, f.shift), -1) };
}

/** Place, turn and size of a map that has no slant; a mirroring one mirrors along X. */
export function decomposed(f: Frame): { position: Vector; rotationDegrees: Vector; scale: Vector } {
  const sign = dot(f.x, cross(f.y, f.z)) < 0 ? -1 : 1;
  const scale: Vector = [sign * length(f.x), length(f.y), length(f.z)];
  const [x, y, z] = [times(f.x, 1 / scale[0]), times(f.y, 1 / scale[1]), times(f.z, 1 / scale[2])];
  const b = -Math.asin(Math.min(1, Math.max(-1, x[2])));
  const level = Math.abs(Math.cos(b)) > 1e-6;
  const a = level ? Math.atan2(y[2], z[2]) : Math.atan2(-z[1], y[1]);
  const c = level ? Math.atan2(x[1], x[0]) : 0;
  return {
    position: f.shift,
    rotationDegrees: [a, b, c].map((r) => (r * 180) / Math.PI) as Vector,
    scale,
  };
}

/** The turn about an axis by an angle (Rodrigues). */
export function turnedAbout(axis: Vector, radians: number): Frame {
  const [c, s] = [Math.cos(radians), Math.sin(radians)];
  const turn = (v: Vector): Vector =>
    plus(plus(times(v, c), times(cross(axis, v), s)), times(axis, dot(axis, v) * (1 - c)));
  return { x: turn([1, 0, 0]), y: turn([0, 1, 0]), z: turn([0, 0, 1]), shift: [0, 0, 0] };
}

/** The frame in which a piece stands: that of all it stands in, copies left aside. */
export function parentFrame(pieces: Piece[], parent: string | null): Frame {
  let frame = IDENTITY;
  for (let at = parent; at !== null;) {
    const piece = pieces.find((p) => p.id === at);
    if (!piece) break;
    frame = after(composed(piece.position, piece.rotationDegrees, piece.scale), frame);
    at = piece.parent;
  }
  return frame;
}

interface Camera {
  right: Vector;
  up: Vector;
  back: Vector;
  shift: number;
  zoom: number;
}

function camera(shot: Shot): Camera {
  const way = minus(shot.aim, shot.position);
  const level = Math.hypot(way[0], way[2]);
  const upright = shot.upright && level > 0.05 * length(way);
  const aim: Vector = upright ? [shot.aim[0], shot.position[1], shot.aim[2]] : shot.aim;
  const back = unit(minus(shot.position, aim));
  const helper: Vector = Math.abs(back[1]) > 0.9999 ? [0, 0, -1] : [0, 1, 0];
  const right = unit(cross(helper, back));
  return {
    right,
    up: cross(back, right),
    back,
    shift: upright ? way[1] / level : 0,
    zoom: shot.focalLengthMm / shot.sensorWidthMm,
  };
}

/** Where a point is in the picture, 0…1 from the left and the top, and how deep; null behind. */
export function projected(
  shot: Shot,
  aspect: number,
  p: Vector,
): { x: number; y: number; depth: number } | null {
  const c = camera(shot);
  const v = minus(p, shot.position);
  const depth = -dot(v, c.back);
  if (depth < 1e-4) return null;
  return {
    x: 0.5 + (c.zoom * dot(v, c.right)) / depth,
    y: 0.5 - c.zoom * aspect * (dot(v, c.up) / depth - c.shift),
    depth,
  };
}

/** The direction from the camera through a place of the picture. */
export function rayThrough(shot: Shot, aspect: number, x: number, y: number): Vector {
  const c = camera(shot);
  const across = times(c.right, (x - 0.5) / c.zoom);
  const up = times(c.up, (0.5 - y) / (c.zoom * aspect) + c.shift);
  return unit(minus(plus(across, up), c.back));
}

/** How far along a line (point and unit direction) it comes nearest to a ray. */
export function nearestAlong(at: Vector, along: Vector, from: Vector, ray: Vector): number | null {
  const between = dot(along, ray);
  const apart = 1 - between * between;
  if (apart < 1e-4) return null;
  const w = minus(at, from);
  return (between * dot(w, ray) - dot(w, along)) / apart;
}
