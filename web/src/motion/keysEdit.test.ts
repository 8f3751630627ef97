import { expect, test } from 'vitest';
import type { Key, Track } from '../api/document';
import { extent, movedKeys, stretchedKeys, withoutKeys, withSlope, withSpan } from './keysEdit';
import { newTrack, valueAt, withKey } from './track';

const a = withKey(withKey(newTrack('a', 1, 0), 2, 10), 3, 0);
const b = newTrack('b', 1, 5);
const times = (track: Track | undefined) => track?.keys.map((k) => k.seconds);
const first = { place: 'a', seconds: 1 };
const second = { place: 'a', seconds: 2 };

test('keys are moved, and what they come upon gives way', () => {
  const { tracks, chosen } = movedKeys([a, b], [first], 1);
  expect(times(tracks[0])).toEqual([2, 3]);
  expect(tracks[0]!.keys[0]!.value).toBe(0);
  expect(tracks[1]).toBe(b);
  expect(chosen).toEqual([{ place: 'a', seconds: 2 }]);
});

test('copied, the old keys stay', () => {
  expect(times(movedKeys([a], [first, second], 4, true).tracks[0])).toEqual([1, 2, 3, 5, 6]);
});

test('keys are stretched about a time, on whole frames where wanted', () => {
  const chosen = [first, second, { place: 'a', seconds: 3 }];
  expect(times(stretchedKeys([a], chosen, 1, 2, null).tracks[0])).toEqual([1, 3, 5]);
  expect(times(stretchedKeys([a], chosen, 1, 1.3, 1).tracks[0])).toEqual([1, 2, 4]);
});

test('a track that has no keys left goes', () => {
  expect(withoutKeys([a, b], [{ place: 'b', seconds: 1 }])).toEqual([a]);
  expect(times(withoutKeys([a, b], [second])[0])).toEqual([1, 3]);
});

test('a free span begins with slopes through its neighbours', () => {
  const [free] = withSpan([a], [first], 'free');
  expect(free!.keys[0]).toMatchObject({ span: 'free', slopeOut: 10 });
  expect(free!.keys[1]).toMatchObject({ span: 'eased', slopeIn: 0 });
  expect(valueAt(free!, 1.5)).toBeCloseTo(0.125 * 10 + 5, 9);
});

test('switches keep on holding', () => {
  const muted = newTrack('m', 1, true);
  expect(withSpan([muted], [{ place: 'm', seconds: 1 }], 'eased')).toEqual([muted]);
});

test('a slope is set on one side or on both, of one number', () => {
  const track = newTrack('p', 1, [0, 0, 0]);
  const key = (to: Track): Key => to.keys[0]!;
  expect(key(withSlope(track, 1, 2, 7, 'both'))).toMatchObject({
    slopeIn: [0, 0, 7],
    slopeOut: [0, 0, 7],
  });
  expect(key(withSlope(track, 1, 0, 7, 'out')).slopeIn).toBeUndefined();
});

test('the extent of a track takes in what overshoots its keys', () => {
  const [track] = withSpan([a], [first, second], 'free');
  const [least, most] = extent(withSlope(track!, 2, 0, 30, 'both'), 0, 4);
  expect(least).toBeLessThanOrEqual(0);
  expect(most).toBeGreaterThan(10);
});
