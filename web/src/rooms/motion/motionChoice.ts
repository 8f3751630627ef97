import { create } from 'zustand';
import type { KeyRef } from '../../motion/keysEdit';

interface MotionChoice {
  /** Places of the tracks that are chosen; the first is the one whose details are shown. */
  tracks: string[];
  keys: KeyRef[];
  shown: 'keys' | 'curves';
  /** Keys are moved to whole frames. */
  snap: boolean;
  /** Frames that the time line spans; null for the range of the shoot. */
  span: { from: number; to: number } | null;
}

/** What is chosen in the Motion room. */
export const useMotion = create<MotionChoice>(() => ({
  tracks: [],
  keys: [],
  shown: 'keys',
  snap: true,
  span: null,
}));
