import { create } from 'zustand';
import type { Motion } from '../api/document';

interface Time {
  /** The frame that is shown. */
  frame: number;
  playing: boolean;
  /** Whether what the hand changes becomes keyed. */
  record: boolean;
  /** Times are said in seconds rather than in frames. */
  inSeconds: boolean;
}

/** Where in time the page is. */
export const useTime = create<Time>(() => ({
  frame: 1,
  playing: false,
  record: false,
  inSeconds: false,
}));

/** The time of a frame, as the renderer has it. */
export function secondsOf(motion: Motion, frame: number): number {
  return frame / motion.framesPerSecond;
}

export function frameOf(motion: Motion, seconds: number): number {
  return Math.round(seconds * motion.framesPerSecond);
}

/** A frame or a time, as the page says it. */
export function timeText(motion: Motion, frame: number, inSeconds: boolean): string {
  return inSeconds ? `${secondsOf(motion, frame).toFixed(2)} s` : `${frame}`;
}

/** The frame next to another in the range, round its ends. */
export function nextFrame(motion: Motion, frame: number, by: number): number {
  const length = motion.lastFrame - motion.firstFrame + 1;
  const from = frame - motion.firstFrame + by;
  return motion.firstFrame + (((from % length) + length) % length);
}
