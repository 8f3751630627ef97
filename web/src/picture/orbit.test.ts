import { describe, expect, it } from 'vitest';
import type { Shot, Vector } from '../api/document';
import { dollied, orbited, slid } from './orbit';
import { testShot } from './testShot';

const shot: Shot = { ...testShot, position: [0, 1, 4], aim: [0, 1, 0], focalLengthMm: 36 };

const close = (a: Vector, b: Vector) => a.forEach((x, i) => expect(x).toBeCloseTo(b[i]!, 9));

describe('the camera', () => {
  it('goes round its aim at the same distance', () => {
    close(orbited(shot, Math.PI / 2, 0), [4, 1, 0]);
  });

  it('does not tip over the pole', () => {
    const [x, y, z] = orbited(shot, 0, 5);
    expect(y).toBeLessThan(5);
    expect(y).toBeGreaterThan(4.99);
    expect(Math.hypot(x, z)).toBeGreaterThan(0);
  });

  it('comes nearer along its line of view', () => {
    close(dollied(shot, 0.5), [0, 1, 2]);
  });

  it('slides with its aim by shares of the picture', () => {
    const moved = slid(shot, 0.25, 0.5);
    close(moved.position, [1, 3, 4]);
    close(moved.aim, [1, 3, 0]);
  });
});
