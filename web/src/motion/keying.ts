import type { KeyValue, Operation, ShootDocument, Track } from '../api/document';
import { patched } from '../api/patch';
import { pathOf, placesOf, putting, valueOf } from './place';
import { newTrack, valueAt, withKey } from './track';

/** The document as its keys have it at a time; it keeps its tracks. */
export function documentAt(document: ShootDocument, seconds: number): ShootDocument {
  const { tracks } = document.motion;
  if (tracks.length === 0) return linked(document);
  return linked(
    patched(
      document,
      tracks.flatMap((track) => putting(document, track.place, valueAt(track, seconds))),
    ),
  );
}

/** The document with linked values as what they follow has them. */
export function linked(document: ShootDocument): ShootDocument {
  const { links } = document.motion;
  if (links.length === 0) return document;
  return patched(
    document,
    links.flatMap(({ place, from, factor, offset }) => {
      const value = valueOf(document, from);
      if (value === undefined) return [];
      const of = (v: number) => factor * v + offset;
      const to =
        typeof value === 'number'
          ? of(value)
          : Array.isArray(value)
            ? (value.map(of) as KeyValue)
            : value;
      return putting(document, place, to);
    }),
  );
}

function same(a: KeyValue | undefined, b: KeyValue | undefined): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

/**
 * What a change of the shoot as it stands at a time means: where a value is keyed, a key at that
 * time; else the value itself. While keys are recorded, all that changes becomes keyed.
 *
 * @param kept the document at rest
 * @param shown the same at the time, on which the operations were made
 * @param record whether keys are recorded, and where what is keyed for the first time has its old
 *   value
 */
export function keyed(
  kept: ShootDocument,
  shown: ShootDocument,
  operations: Operation[],
  seconds: number,
  record: { on: boolean; firstSeconds: number },
): Operation[] {
  const { tracks } = kept.motion;
  const aboutMotion = operations.some((o) => o.path.startsWith('/motion'));
  if (aboutMotion || (tracks.length === 0 && !record.on)) return operations;
  const after = patched(shown, operations);
  const next: Track[] = tracks.map((track) => {
    const is = valueOf(after, track.place);
    return is === undefined || same(is, valueOf(shown, track.place))
      ? track
      : withKey(track, seconds, is);
  });
  const known = new Set(tracks.map((track) => track.place));
  const fresh = record.on ? placesOf(shown, operations).filter((place) => !known.has(place)) : [];
  for (const place of fresh) {
    const from = valueOf(shown, place);
    const to = valueOf(after, place);
    if (from === undefined || to === undefined) continue;
    const first = newTrack(place, seconds, to);
    next.push(seconds > record.firstSeconds ? withKey(first, record.firstSeconds, from) : first);
  }
  const moved = next.length > tracks.length || next.some((track, i) => track !== tracks[i]);
  if (!moved) return operations;
  // What is keyed is not written at rest as well.
  const places = next.filter((track, i) => track !== tracks[i]).map((track) => track.place);
  const paths = new Set(places.map((place) => pathOf(kept, place)));
  return [
    ...operations.filter((o) => !paths.has(o.path)),
    { op: 'replace', path: '/motion/tracks', value: next },
  ];
}

/** How a place stands at a time. */
export type Keyed = 'not' | 'between' | 'on';

export function keyedAt(tracks: Track[], place: string, seconds: number): Keyed {
  const track = tracks.find((t) => t.place === place);
  if (!track) return 'not';
  return track.keys.some((key) => Math.abs(key.seconds - seconds) < 1e-4) ? 'on' : 'between';
}

/** Puts a key of the value that is shown on every place, or takes those that are there away. */
export function toggled(shown: ShootDocument, places: string[], seconds: number): Operation[] {
  const { tracks } = shown.motion;
  const all = places.every((place) => keyedAt(tracks, place, seconds) === 'on');
  const atRest: Operation[] = [];
  let next = tracks;
  for (const place of places) {
    const track = tracks.find((t) => t.place === place);
    const value = valueOf(shown, place);
    if (value === undefined) continue;
    if (all && track) {
      const keys = track.keys.filter((key) => Math.abs(key.seconds - seconds) >= 1e-4);
      next =
        keys.length > 0
          ? next.map((t) => (t === track ? { ...t, keys } : t))
          : next.filter((t) => t !== track);
      if (keys.length === 0) atRest.push(...putting(shown, place, value));
    } else {
      next = track
        ? next.map((t) => (t === track ? withKey(t, seconds, value) : t))
        : [...next, newTrack(place, seconds, value)];
    }
  }
  return [...atRest, { op: 'replace', path: '/motion/tracks', value: next }];
}
