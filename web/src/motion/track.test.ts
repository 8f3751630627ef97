import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import type { KeyValue, Track } from '../api/document';
import { inOrder, keyAt, newTrack, valueAt, withKey } from './track';

interface Row {
  track: Track;
  at: [number, KeyValue][];
}

// The renderer is held to the same table.
const table = JSON.parse(
  readFileSync('../formats/src/test/resources/levelember/formats/tracks.json', 'utf8'),
) as Row[];

test.each(table.flatMap(({ track, at }) => at.map(([s, value]) => ({ track, s, value }))))(
  '$track.place, $track.after, at $s s is $value',
  ({ track, s, value }) => {
    const is = valueAt(track, s);
    if (typeof value === 'number') expect(is).toBeCloseTo(value, 9);
    else if (Array.isArray(value))
      value.forEach((v, k) => expect((is as number[])[k]).toBeCloseTo(v, 9));
    else expect(is).toBe(value);
  },
);

test('a key takes its place in time, and goes on like the one before it', () => {
  const track = withKey(withKey(newTrack('a', 1, 0), 3, 4), 2, 1);
  expect(track.keys.map((k) => k.seconds)).toEqual([1, 2, 3]);
  expect(track.keys[1]!.span).toBe('eased');
  expect(keyAt(track, 2.00001)?.value).toBe(1);
  expect(keyAt(track, 2.5)).toBeUndefined();
});

test('a key that is there gets the value and keeps its span', () => {
  const straight = { ...newTrack('a', 1, 0), keys: [{ seconds: 1, value: 0, span: 'straight' }] };
  const track = withKey(straight as unknown as Track, 1, 5);
  expect(track.keys).toEqual([{ seconds: 1, value: 5, span: 'straight' }]);
});

test('switches only hold', () => {
  expect(newTrack('lights/a/muted', 0, true).keys[0]!.span).toBe('hold');
});

test('of keys at one time the first given stays', () => {
  const keys = [newTrack('a', 2, 9), newTrack('a', 1, 5), newTrack('a', 2, 0)].map(
    (t) => t.keys[0]!,
  );
  expect(inOrder(keys).map((k) => [k.seconds, k.value])).toEqual([
    [1, 5],
    [2, 9],
  ]);
});
