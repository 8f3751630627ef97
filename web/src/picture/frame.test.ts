import { describe, expect, it } from 'vitest';
import type { Piece, Vector } from '../api/document';
import {
  after,
  composed,
  decomposed,
  inverse,
  length,
  minus,
  nearestAlong,
  parentFrame,
  plus,
  point,
  projected,
  rayThrough,
  times,
  turnedAbout,
} from './frame';
import { testShot } from './testShot';

const shot = testShot;

function close(a: Vector, b: Vector) {
  expect(length(minus(a, b))).toBeLessThan(1e-9);
}

describe('frames', () => {
  it('come apart into what they were made of', () => {
    for (const turn of [[10, 20, 30] as Vector, [-120, 75, 200] as Vector]) {
      const frame = composed([1, 2, 3], turn, [-2, 1, 0.5]);
      const { position, rotationDegrees, scale } = decomposed(frame);
      const again = composed(position, rotationDegrees, scale);
      close(again.x, frame.x);
      close(again.y, frame.y);
      close(again.z, frame.z);
      close(again.shift, frame.shift);
    }
  });

  it('have inverses', () => {
    const frame = composed([1, 2, 3], [10, 20, 30], [2, 1, 0.5]);
    close(point(inverse(frame), point(frame, [4, 5, 6])), [4, 5, 6]);
  });

  it('turn about an axis as degrees do', () => {
    const turned = turnedAbout([0, 1, 0], Math.PI / 3);
    const wanted = composed([0, 0, 0], [0, 60, 0], [1, 1, 1]);
    close(turned.x, wanted.x);
    close(turned.z, wanted.z);
  });

  it('nest', () => {
    const pieces = [
      { id: 'a', parent: null, position: [1, 0, 0], rotationDegrees: [0, 90, 0], scale: [2, 2, 2] },
      { id: 'b', parent: 'a', position: [0, 0, 1], rotationDegrees: [0, 0, 0], scale: [1, 1, 1] },
    ] as Piece[];
    const a = composed([1, 0, 0], [0, 90, 0], [2, 2, 2]);
    const b = composed([0, 0, 1], [0, 0, 0], [1, 1, 1]);
    close(parentFrame(pieces, 'b').shift, after(a, b).shift);
    close(parentFrame(pieces, 'b').shift, [3, 0, 0]);
  });
});

describe('the camera', () => {
  it('has its aim in the middle, and rays go where points are', () => {
    for (const s of [shot, { ...shot, upright: true }]) {
      const middle = projected(s, 16 / 9, s.aim)!;
      expect(middle.x).toBeCloseTo(0.5, 9);
      expect(middle.y).toBeCloseTo(0.5, 9);
      const p: Vector = [0.3, 1.4, -0.5];
      const at = projected(s, 16 / 9, p)!;
      const ray = rayThrough(s, 16 / 9, at.x, at.y);
      const way = minus(p, s.position);
      close(ray, times(way, 1 / length(way)));
    }
    expect(projected(shot, 16 / 9, [2, 3, 11])).toBeNull();
  });

  it('finds how far along a line the pointer is', () => {
    const at: Vector = [0.2, 0.5, 0];
    const along: Vector = [0, 1, 0];
    const aimed = plus(at, times(along, 0.7));
    const on = projected(shot, 16 / 9, aimed)!;
    const ray = rayThrough(shot, 16 / 9, on.x, on.y);
    expect(nearestAlong(at, along, shot.position, ray)).toBeCloseTo(0.7, 9);
    expect(nearestAlong(at, ray, shot.position, ray)).toBeNull();
  });
});
