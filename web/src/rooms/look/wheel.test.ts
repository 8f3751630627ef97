import { expect, test } from 'vitest';
import { channels, turned } from './wheel';

test('a dot and its channels lead to each other', () => {
  for (const neutral of [0, 1]) {
    const dot = { warm: 0.12, green: -0.05, level: 0.08 };
    const back = turned(channels(dot, neutral), neutral);
    expect(back.warm).toBeCloseTo(dot.warm, 3);
    expect(back.green).toBeCloseTo(dot.green, 3);
    expect(back.level).toBeCloseTo(dot.level, 3);
  }
});

test('warm raises red against blue and leaves the mean', () => {
  const [r, g, b] = channels({ warm: 0.1, green: 0, level: 0 }, 1);
  expect(r).toBeCloseTo(1.1);
  expect(g).toBeCloseTo(1);
  expect(b).toBeCloseTo(0.9);
});
