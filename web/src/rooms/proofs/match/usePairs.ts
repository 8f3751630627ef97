import { create } from 'zustand';
import type { RegionPair } from '../../../api/document';

/** Which of the two pictures of a pair. */
export type Side = 'picture' | 'reference';

interface Pairs {
  /** The match goes by regions that are paired, not by the tones of the whole. */
  paired: boolean;
  pairs: RegionPair[];
  /** Id of the surrounding that may be turned, or null. */
  turn: string | null;
}

/** Side of a region at first, as a share of the picture's width. */
export const FIRST_SIZE = 0.05;

/** The regions of picture and reference that are to look alike, and what else may move. */
export const usePairs = create<Pairs>(() => ({ paired: false, pairs: [], turn: null }));

const within = (v: number) => Math.min(1, Math.max(0, v));

/** Adds a pair in the middle of both pictures. */
export function addPair() {
  const { pairs } = usePairs.getState();
  const size = pairs.at(-1)?.size ?? FIRST_SIZE;
  usePairs.setState({
    pairs: [...pairs, { x: 0.5, y: 0.5, referenceX: 0.5, referenceY: 0.5, size }],
  });
}

export function removePair(index: number) {
  usePairs.setState({ pairs: usePairs.getState().pairs.filter((_, i) => i !== index) });
}

/** Gives all regions another size. */
export function sizePairs(size: number) {
  usePairs.setState({ pairs: usePairs.getState().pairs.map((p) => ({ ...p, size })) });
}

/** Moves one side of a pair to a place, 0…1 each way; what lies beyond stays at the edge. */
export function placePair(index: number, side: Side, x: number, y: number) {
  const change =
    side === 'picture'
      ? { x: within(x), y: within(y) }
      : { referenceX: within(x), referenceY: within(y) };
  usePairs.setState({
    pairs: usePairs.getState().pairs.map((p, i) => (i === index ? { ...p, ...change } : p)),
  });
}
