import { expect, test } from 'vitest';
import { cornerNear, edgeNear, fitted, fromPad, toPad } from './profile';

const cup = [
  { radius: 0, height: 0 },
  { radius: 0.05, height: 0 },
  { radius: 0.06, height: 0.1 },
];
const fit = fitted(cup, 264, 160, false);

test('a profile is drawn whole, with one scale, and a place reads back', () => {
  for (const corner of cup) {
    const [x, y] = toPad(corner, fit);
    expect(x).toBeGreaterThanOrEqual(0);
    expect(x).toBeLessThanOrEqual(264);
    expect(y).toBeGreaterThanOrEqual(0);
    expect(y).toBeLessThanOrEqual(160);
    expect(fromPad(x, y, fit)).toEqual(corner);
  }
  const [ax, ay] = toPad(cup[0]!, fit);
  const [bx] = toPad(cup[1]!, fit);
  const [, cy] = toPad(cup[2]!, fit);
  expect((bx - ax) / 0.05).toBeCloseTo((ay - cy) / 0.1, 6);
});

test('a slim ring fills the pad, its axis outside of it', () => {
  const ring = [
    { radius: 0.14, height: -0.001 },
    { radius: 0.15, height: -0.001 },
    { radius: 0.15, height: 0.002 },
  ];
  const near = fitted(ring, 264, 160, true);
  expect(near.left).toBeLessThan(0);
  const [ax] = toPad(ring[0]!, near);
  const [bx, by] = toPad(ring[1]!, near);
  expect(bx - ax).toBeGreaterThan(200);
  expect(fromPad(bx, by, near)).toEqual(ring[1]);
});

test('nothing is drawn across the axis', () => {
  expect(fromPad(0, 80, fit).radius).toBe(0);
});

test('a place is near a corner or belongs to an edge', () => {
  const [x, y] = toPad(cup[1]!, fit);
  expect(cornerNear(cup, x + 3, y - 3, fit, 9)).toBe(1);
  expect(cornerNear(cup, x + 30, y - 30, fit, 9)).toBe(-1);
  const [ex, ey] = toPad({ radius: 0.056, height: 0.05 }, fit);
  expect(edgeNear(cup, ex, ey, fit, false)).toBe(1);
  const [lx, ly] = toPad({ radius: 0.065, height: 0.14 }, fit);
  expect(edgeNear(cup, lx, ly, fit, false)).toBe(1);
  const [ox, oy] = toPad({ radius: 0.028, height: 0.06 }, fit);
  expect(edgeNear(cup, ox, oy, fit, true)).toBe(2);
});
