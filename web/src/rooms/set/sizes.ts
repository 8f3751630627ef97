/** A length as it is read off a rule. */
export function said(metres: number): string {
  if (metres >= 1) return `${metres.toPrecision(3)} m`;
  if (metres >= 0.01) return `${(100 * metres).toPrecision(3)} cm`;
  return `${(1000 * metres).toPrecision(2)} mm`;
}

/** What is improbable about a size, or null. */
export function improbable(metres: number[]): string | null {
  const most = Math.max(...metres);
  if (most > 500) {
    return 'Improbably large. If it was made in millimetres, size it by 0.001.';
  }
  if (most < 0.002) {
    return 'Improbably small. If it was made in metres of a model, size it by 1000.';
  }
  return null;
}
