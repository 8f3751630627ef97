import type { Corner } from '../../api/document';

/** How a profile is drawn: one scale both ways, the axis at the left. */
export interface Fit {
  scale: number;
  left: number;
  bottom: number;
}

const MARGIN = 14;

/** A ring whose cross-section is this much smaller than its radius is shown without the axis. */
const SLIM = 0.5;

/** Shows the whole profile, as large as it can be; with the axis, but for slim rings. */
export function fitted(profile: Corner[], width: number, height: number, closed: boolean): Fit {
  const radii = profile.map((c) => c.radius);
  const heights = profile.map((c) => c.height);
  const most = Math.max(...radii, 1e-4);
  const least = Math.min(...radii);
  const from = closed && most - least < SLIM * least ? least : 0;
  const low = Math.min(...heights);
  const tall = Math.max(...heights) - low;
  const scale = Math.min(
    (width - 2 * MARGIN) / Math.max(most - from, 1e-4),
    (height - 2 * MARGIN) / Math.max(tall, 1e-4),
  );
  return {
    scale,
    left: MARGIN - from * scale,
    bottom: (height + tall * scale) / 2 + low * scale,
  };
}

export function toPad(c: Corner, fit: Fit): [x: number, y: number] {
  return [fit.left + c.radius * fit.scale, fit.bottom - c.height * fit.scale];
}

/** The corner at a place of the pad, to a tenth of a millimetre; never across the axis. */
export function fromPad(x: number, y: number, fit: Fit): Corner {
  const round = (v: number) => Math.round(v * 1e4) / 1e4;
  return {
    radius: Math.max(0, round((x - fit.left) / fit.scale)),
    height: round((fit.bottom - y) / fit.scale),
  };
}

/** Which corner is near a place of the pad; -1 for none. */
export function cornerNear(profile: Corner[], x: number, y: number, fit: Fit, near: number) {
  const far = profile.map((c) => {
    const [cx, cy] = toPad(c, fit);
    return Math.hypot(cx - x, cy - y);
  });
  const least = Math.min(...far);
  return least < near ? far.indexOf(least) : -1;
}

/** Behind which corner a new one belongs: that of the nearest edge, or the nearer end. */
export function edgeNear(profile: Corner[], x: number, y: number, fit: Fit, closed: boolean) {
  const last = profile.length - 1;
  let best = Infinity;
  let behind = last;
  for (let i = 0; i < (closed ? profile.length : last); i++) {
    const [ax, ay] = toPad(profile[i]!, fit);
    const [bx, by] = toPad(profile[(i + 1) % profile.length]!, fit);
    const along = (bx - ax) ** 2 + (by - ay) ** 2;
    const t = along === 0 ? 0 : ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / along;
    const clamped = Math.min(1, Math.max(0, t));
    const d = Math.hypot(ax + clamped * (bx - ax) - x, ay + clamped * (by - ay) - y);
    if (d < best) {
      best = d;
      behind = !closed && i === 0 && t < 0 ? -1 : i;
    }
  }
  return behind;
}
