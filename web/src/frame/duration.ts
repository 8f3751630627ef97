/** Seconds as one reads them: 40 s, 3 min, 2 h. */
export function duration(seconds: number): string {
  if (seconds < 100) return `${Math.ceil(seconds)} s`;
  if (seconds < 6000) return `${Math.round(seconds / 60)} min`;
  return `${Math.round(seconds / 3600)} h`;
}
