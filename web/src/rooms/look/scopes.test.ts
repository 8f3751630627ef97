import { expect, test } from 'vitest';
import type { Scopes } from '../../live/store';
import { vectorscope, waveform } from './scopes';

function scopes(): Scopes {
  const columns = 2;
  const levels = 4;
  return {
    of: 'shown',
    columns,
    levels,
    leastStops: -10,
    mostStops: 6,
    clippedPercent: 0,
    blackPercent: 0,
    histogram: [],
    curve: [],
    waveform: new Uint8Array(4 * columns * levels),
    vectors: new Uint8Array(levels * levels),
  };
}

test('a bright column is drawn at the top, channels beside each other', () => {
  const s = scopes();
  // Red, second column, highest level.
  s.waveform[(1 * 2 + 1) * 4 + 3] = 255;
  const over = waveform(s, [1, 2, 3], false);
  expect([over.width, over.height]).toEqual([2, 4]);
  expect(over.rgba[4 * 1]).toBe(235);
  const beside = waveform(s, [1, 2, 3], true);
  expect(beside.width).toBe(6);
  expect(beside.rgba[4 * 1 + 3]).toBe(255);
  expect(beside.rgba[4 * 3 + 3]).toBe(0);
});

test('the vectorscope paints a place in its own colour', () => {
  const s = scopes();
  s.vectors[0 * 4 + 2] = 255;
  const rgba = vectorscope(s);
  const at = 4 * 2;
  expect(rgba[at]).toBeGreaterThan(rgba[at + 2]!);
});
