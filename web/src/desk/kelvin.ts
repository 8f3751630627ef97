/** A rough display colour of a colour temperature, for the chip alone; the renderer has its own. */
export function kelvinChip(kelvin: number): string {
  const t = kelvin / 100;
  const r = t <= 66 ? 255 : 329.7 * Math.pow(t - 60, -0.1332);
  const g = t <= 66 ? 99.47 * Math.log(t) - 161.1 : 288.1 * Math.pow(t - 60, -0.0755);
  const b = t >= 66 ? 255 : t <= 19 ? 0 : 138.5 * Math.log(t - 10) - 305;
  const code = (x: number) => Math.round(Math.min(255, Math.max(0, x)));
  return `rgb(${code(r)}, ${code(g)}, ${code(b)})`;
}
