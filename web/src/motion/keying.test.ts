import { expect, test } from 'vitest';
import type { Operation, ShootDocument, Track } from '../api/document';
import { patched } from '../api/patch';
import { atRest } from './atRest';
import { documentAt, keyed, keyedAt, toggled } from './keying';
import { keyablePaths, placesOf, valueOf } from './place';
import { newTrack, withKey } from './track';

const level = withKey(newTrack('lights/key/levelStops', 0, 0), 2, 4);

function shoot(tracks: Track[]) {
  return {
    masterStops: 0,
    bounce: { level: 1 },
    lights: [
      {
        id: 'rim',
        levelStops: -1,
        position: [0, 0, 0],
        muted: false,
        colour: { kelvin: 3200, tint: 0 },
      },
      {
        id: 'key',
        levelStops: 0,
        position: [1, 2, 3],
        muted: false,
        colour: { kelvin: 5600, tint: 0 },
      },
    ],
    motion: { ...atRest, tracks },
  } as unknown as ShootDocument;
}

const set = (path: string, value: unknown): Operation[] => [{ op: 'replace', path, value }];
const off = { on: false, firstSeconds: 0 };
const tracksOf = (operations: Operation[]) =>
  operations.find((o) => o.path === '/motion/tracks')?.value as Track[] | undefined;

test('the document is shown as its keys have it', () => {
  const at = documentAt(shoot([level]), 1);
  expect(at.lights[1]!.levelStops).toBe(2);
  expect(at.lights[0]!.levelStops).toBe(-1);
  expect(at.motion.tracks).toEqual([level]);
});

test('what is not keyed is changed as ever', () => {
  const kept = shoot([level]);
  const change = set('/lights/0/levelStops', 3);
  expect(keyed(kept, documentAt(kept, 1), change, 1, off)).toEqual(change);
});

test('what is keyed gets a key at the time that is shown, and nothing at rest', () => {
  const kept = shoot([level]);
  const to = keyed(kept, documentAt(kept, 1), set('/lights/1/levelStops', 7), 1, off);
  expect(to.map((o) => o.path)).toEqual(['/motion/tracks']);
  expect(tracksOf(to)![0]!.keys.map((k) => [k.seconds, k.value])).toEqual([
    [0, 0],
    [1, 7],
    [2, 4],
  ]);
});

test('recording keys what changes, with its old value where the range begins', () => {
  const kept = shoot([]);
  const change = set('/lights/1/position', [5, 2, 3]);
  const to = keyed(kept, kept, change, 2, { on: true, firstSeconds: 0.5 });
  const [track] = tracksOf(to)!;
  expect(track!.place).toBe('lights/key/position');
  expect(track!.keys.map((k) => [k.seconds, k.value])).toEqual([
    [0.5, [1, 2, 3]],
    [2, [5, 2, 3]],
  ]);
  expect(keyed(kept, kept, change, 2, off)).toEqual(change);
});

test('an edit of the motion itself is left as it is', () => {
  const kept = shoot([level]);
  const change = set('/motion/tracks', []);
  expect(keyed(kept, kept, change, 1, { on: true, firstSeconds: 0 })).toEqual(change);
});

test('a whole that is written keys the parts of it that are keyed', () => {
  const kelvin = newTrack('lights/key/colour/kelvin', 0, 5600);
  const kept = shoot([kelvin]);
  const to = keyed(kept, kept, set('/lights/1/colour', { kelvin: 3000, tint: 5 }), 1, off);
  expect(tracksOf(to)![0]!.keys.map((k) => k.value)).toEqual([5600, 3000]);
  expect((patched(kept, to).lights[1]!.colour as { tint: number }).tint).toBe(5);
});

test('a mark sets a key of what is shown, and takes the last one away with its value kept', () => {
  const kept = shoot([]);
  const place = 'lights/key/levelStops';
  const one = patched(kept, toggled(kept, [place], 1));
  expect(keyedAt(one.motion.tracks, place, 1)).toBe('on');
  expect(keyedAt(one.motion.tracks, place, 1.5)).toBe('between');
  expect(keyedAt(one.motion.tracks, 'lights/rim/levelStops', 1)).toBe('not');
  const none = patched(documentAt(one, 1), toggled(documentAt(one, 1), [place], 1));
  expect(none.motion.tracks).toEqual([]);
  expect(valueOf(none, place)).toBe(0);
});

test('places are found by what an edit would change', () => {
  const at = shoot([]);
  expect(placesOf(at, set('/lights/1/position', [1, 2, 4]))).toEqual(['lights/key/position']);
  expect(placesOf(at, set('/lights/0/colour', { kelvin: 1, tint: 2 }))).toEqual([
    'lights/rim/colour/kelvin',
    'lights/rim/colour/tint',
  ]);
  expect(placesOf(at, set('/masterStops', 1))).toEqual(['masterStops']);
  expect(placesOf(at, set('/bounce/level', 2))).toEqual(['bounce/level']);
  expect(placesOf(at, set('/lights/1/id', 'other'))).toEqual([]);
  expect(placesOf(at, set('/motion/lastFrame', 2))).toEqual([]);
});

test('what can be keyed of a thing is its numbers, triples and switches', () => {
  expect(keyablePaths(shoot([]).lights[0])).toEqual([
    'levelStops',
    'position',
    'muted',
    'colour/kelvin',
    'colour/tint',
  ]);
  expect(keyablePaths({ id: 'a', seed: 4, name: 'A', copies: null })).toEqual([]);
});

test('a linked value is what it follows, keyed or not', () => {
  const link = {
    place: 'lights/rim/levelStops',
    from: 'lights/key/levelStops',
    factor: 2,
    offset: 1,
  };
  const kept = shoot([level]);
  kept.motion.links = [link];
  expect(documentAt(kept, 1).lights[0]!.levelStops).toBe(5);
  kept.motion.tracks = [];
  expect(documentAt(kept, 1).lights[0]!.levelStops).toBe(1);
});
