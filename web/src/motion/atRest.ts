import type { Motion } from '../api/document';

/** Nothing moves: as a shoot begins. */
export const atRest: Motion = {
  framesPerSecond: 24,
  firstFrame: 1,
  lastFrame: 72,
  shutterDegrees: 0,
  tracks: [],
  links: [],
};
