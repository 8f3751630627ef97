/** The step of an arrow key: right and up are 1; null for any other key. */
export function arrowStep(key: string): [x: number, y: number] | null {
  return ARROWS[key] ?? null;
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
