import { expect, test } from 'vitest';
import type { ShootDocument } from '../api/document';
import { withoutTracks } from './withoutTracks';

const track = (place: string) => ({ place, after: 'hold', keys: [{ seconds: 0, value: 1 }] });
const tracks = [
  track('lights/key/levelStops'),
  track('lights/key-2/levelStops'),
  track('pieces/key/rotationDegrees'),
  track('masterStops'),
];
const links = [
  { place: 'lights/key/levelStops', from: 'lights/rim/levelStops', factor: 1, offset: 0 },
];
const document = { motion: { tracks, links: [] } } as unknown as ShootDocument;

test('tracks of what is deleted go with it, and no others', () => {
  expect(withoutTracks('lights', new Set(['key']), document)).toEqual([
    { op: 'replace', path: '/motion/tracks', value: tracks.slice(1) },
  ]);
  expect(withoutTracks('pieces', new Set(['key', 'other']), document)).toEqual([
    { op: 'replace', path: '/motion/tracks', value: tracks.toSpliced(2, 1) },
  ]);
});

test('where none is about them there is nothing to do', () => {
  expect(withoutTracks('shots', new Set(['key']), document)).toEqual([]);
  expect(withoutTracks('lights', new Set(), document)).toEqual([]);
});

test('links go with what follows and with what leads', () => {
  const linked = { motion: { tracks: [], links } } as unknown as ShootDocument;
  const gone = [{ op: 'replace', path: '/motion/links', value: [] }];
  expect(withoutTracks('lights', new Set(['key']), linked)).toEqual(gone);
  expect(withoutTracks('lights', new Set(['rim']), linked)).toEqual(gone);
  expect(withoutTracks('lights', new Set(['fill']), linked)).toEqual([]);
});
