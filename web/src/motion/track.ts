import type { Key, KeyValue, Span, Track } from '../api/document';

/** Keys nearer to each other than this are at one time. */
export const SAME_SECONDS = 1e-4;

/** A key as it is written: spans and slopes may be left out. */
export type NewKey = Pick<Key, 'seconds' | 'value'> & Partial<Key>;

function numbers(value: KeyValue | undefined): number[] {
  if (value === undefined) return [];
  if (Array.isArray(value)) return value;
  return [Number(value)];
}

/** A time as it lies among the keys of a track that loops or goes back and forth. */
function wrapped(track: Track, seconds: number): number {
  const first = track.keys[0]!.seconds;
  const length = track.keys.at(-1)!.seconds - first;
  const since = seconds - first;
  if (since <= length || length <= 0 || track.after === 'hold') return seconds;
  const turns = Math.floor(since / length);
  const part = since / length - turns;
  return first + length * (track.after === 'ping_pong' && turns % 2 === 1 ? 1 - part : part);
}

/** Hermite's cubic from a to b with their slopes over the whole span. */
function hermite(a: number, b: number, out: number, into: number, t: number): number {
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    (2 * t3 - 3 * t2 + 1) * a + (t3 - 2 * t2 + t) * out + (3 * t2 - 2 * t3) * b + (t3 - t2) * into
  );
}

/**
 * The value of a track at a time, for what the page shows; the renderer's own rule is the same, and
 * both are held to it by one table of known answers.
 */
export function valueAt(track: Track, seconds: number): KeyValue {
  const t = wrapped(track, seconds);
  const i = Math.max(
    0,
    track.keys.findLastIndex((key) => key.seconds <= t),
  );
  const from = track.keys[i]!;
  const to = track.keys[i + 1];
  if (typeof from.value === 'string' || typeof from.value === 'boolean') return from.value;
  if (!to || t <= from.seconds) return from.value;
  const length = to.seconds - from.seconds;
  const part = (t - from.seconds) / length;
  const starts = numbers(from.value);
  const ends = numbers(to.value);
  const values = starts.map((a, k) => {
    const b = ends[k]!;
    if (from.span === 'hold') return a;
    if (from.span === 'straight') return a + part * (b - a);
    if (from.span === 'eased') return a + part * part * (3 - 2 * part) * (b - a);
    const out = numbers(from.slopeOut)[k] ?? 0;
    const into = numbers(to.slopeIn)[k] ?? 0;
    return hermite(a, b, length * out, length * into, part);
  });
  return (values.length === 1 ? values[0] : values) as KeyValue;
}

/** The key of a track at a time, if there is one. */
export function keyAt(track: Track, seconds: number): Key | undefined {
  return track.keys.find((key) => Math.abs(key.seconds - seconds) < SAME_SECONDS);
}

/** Whether values of this kind only hold. */
export function holdsOnly(value: KeyValue): boolean {
  return typeof value === 'boolean' || typeof value === 'string';
}

/** A track with a key of a value at a time; what a key there was keeps its span and slopes. */
export function withKey(track: Track, seconds: number, value: KeyValue): Track {
  const there = keyAt(track, seconds);
  const before = track.keys.findLast((key) => key.seconds < seconds);
  const span: Span = holdsOnly(value) ? 'hold' : (before?.span ?? track.keys[0]?.span ?? 'eased');
  const key = there ? { ...there, value } : ({ seconds, value, span } as Key);
  return {
    ...track,
    keys: [...track.keys.filter((k) => k !== there), key].sort((a, b) => a.seconds - b.seconds),
  };
}

/** Keys at times of their own: of several at one time the first given stays. */
export function inOrder(keys: Key[]): Key[] {
  const kept: Key[] = [];
  for (const key of keys) {
    if (!kept.some((k) => Math.abs(k.seconds - key.seconds) < SAME_SECONDS)) kept.push(key);
  }
  return kept.sort((a, b) => a.seconds - b.seconds);
}

/** A new track of a place with one key. */
export function newTrack(place: string, seconds: number, value: KeyValue): Track {
  return withKey({ place, after: 'hold', keys: [] }, seconds, value);
}
