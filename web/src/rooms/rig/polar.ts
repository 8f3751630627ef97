import type { Profile } from '../../api/document';

/** Candela at an angle from the pole in the half plane nearest to a turn. */
function plane(profile: Profile, around: number): [degrees: number, candela: number][] {
  let best = 0;
  const off = (i: number) => {
    const d = Math.abs(profile.around[i]! - around) % 360;
    return Math.min(d, 360 - d);
  };
  profile.around.forEach((_, i) => {
    if (off(i) < off(best)) best = i;
  });
  const rows = profile.polar.length;
  return profile.polar.map((angle, i) => [angle, profile.candela[best * rows + i]!]);
}

/** Two whole curves for a polar plot, the second at right angles to the first. */
type Curve = [degrees: number, candela: number][];

export function planes(profile: Profile): [Curve, Curve] {
  const whole = (at: number): Curve => {
    const left = plane(profile, at + 180)
      .map(([a, c]): [number, number] => [-a, c])
      .reverse();
    return [...left, ...plane(profile, at)];
  };
  return [whole(0), whole(90)];
}
