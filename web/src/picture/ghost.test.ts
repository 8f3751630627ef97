import { expect, test } from 'vitest';
import type { Shot } from '../api/document';
import { ghostOf } from './ghost';
import { testShot } from './testShot';

const shot: Shot = { ...testShot, position: [0, 0, 4], aim: [0, 0, 0] };

test('a light in the frame is shown where it stands', () => {
  const ghost = ghostOf(shot, 16 / 9, [0.5, 0.3, 0], [0, 0, 0])!;
  expect(ghost.inside).toBe(true);
  expect(ghost.from).toMatchObject({ x: 0.5, y: 0.5 });
  expect(ghost.to.x).toBeGreaterThan(0.5);
  expect(ghost.to.y).toBeLessThan(0.5);
  expect(ghost.metres).toBeCloseTo(Math.hypot(0.5, 0.3), 9);
});

test('one above the frame is pointed to from its upper edge', () => {
  const ghost = ghostOf(shot, 16 / 9, [0, 3, 1], [0, 0, 0])!;
  expect(ghost.inside).toBe(false);
  expect(ghost.to.x).toBeCloseTo(0.5, 6);
  expect(ghost.to.y).toBeCloseTo(0, 6);
});

test('one behind the camera is pointed to all the same', () => {
  const ghost = ghostOf(shot, 16 / 9, [3, 0, 6], [0, 0, 0])!;
  expect(ghost.inside).toBe(false);
  expect(ghost.to.x).toBeCloseTo(1, 6);
  expect(ghost.to.y).toBeCloseTo(0.5, 6);
});

test('nothing is shown when what it is aimed at is behind the camera', () => {
  expect(ghostOf(shot, 16 / 9, [0, 0, 0], [0, 0, 9])).toBeNull();
});
