import { expect, test } from 'vitest';
import { moved, straight, through, withoutPoint, withPoint } from './curve';

test('a curve goes through its points and stays level outside', () => {
  const points = [
    { x: 0.1, y: 0.2 },
    { x: 0.5, y: 0.4 },
    { x: 0.9, y: 0.95 },
  ];
  for (const p of points) expect(through(points, p.x)).toBeCloseTo(p.y);
  expect(through(points, 0)).toBe(0.2);
  expect(through(points, 1)).toBe(0.95);
  expect(through([], 0.37)).toBe(0.37);
});

test('points are added in order, and not upon another', () => {
  const two = withPoint([], 0.5, 0.7);
  expect(two.map((p) => p.x)).toEqual([0, 0.5, 1]);
  expect(withPoint(two, 0.503, 0.1)).toEqual(two);
});

test('a point stays between its neighbours', () => {
  const points = withPoint([], 0.5, 0.5);
  expect(moved(points, 1, 2, 0.3)[1]).toEqual({ x: 0.99, y: 0.3 });
  expect(moved(points, 0, -1, -1)[0]).toEqual({ x: 0, y: 0 });
});

test('what is straight again has no points', () => {
  expect(withoutPoint(withPoint([], 0.5, 0.7), 1)).toEqual([]);
  expect(withoutPoint(straight, 0)).toEqual([]);
});
