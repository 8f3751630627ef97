import type { Shot } from '../api/document';

/** A shot for tests. */
export const testShot: Shot = {
  id: 's',
  name: 'S',
  position: [1, 2, 5],
  aim: [0, 1, 0],
  focalLengthMm: 50,
  sensorWidthMm: 36,
  fStop: 0,
  focusDistance: 0,
  look: 'k',
  upright: false,
  blades: 0,
  bladeRotationDegrees: 0,
  exposureStops: 0,
  cropAspect: 0,
  cutOut: false,
};
