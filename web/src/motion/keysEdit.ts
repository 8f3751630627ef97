import type { Key, Span, Track } from '../api/document';
import { holdsOnly, inOrder, SAME_SECONDS, valueAt } from './track';

/** A key, by its track's place and its time. */
export interface KeyRef {
  place: string;
  seconds: number;
}

export function isChosen(chosen: KeyRef[], place: string, key: Key): boolean {
  return chosen.some((c) => c.place === place && Math.abs(c.seconds - key.seconds) < SAME_SECONDS);
}

/** Tracks and the keys that are chosen in them. */
export interface Edited {
  tracks: Track[];
  chosen: KeyRef[];
}

/** Chosen keys at other times; what they come upon gives way. Copied, the old ones stay too. */
function retimed(
  tracks: Track[],
  chosen: KeyRef[],
  to: (seconds: number) => number,
  copy: boolean,
): Edited {
  return {
    tracks: tracks.map((track) => {
      const own = track.keys.filter((key) => isChosen(chosen, track.place, key));
      if (own.length === 0) return track;
      const rest = copy ? track.keys : track.keys.filter((key) => !own.includes(key));
      const moved = own.map((key) => ({ ...key, seconds: to(key.seconds) }));
      return { ...track, keys: inOrder([...moved, ...rest]) };
    }),
    chosen: chosen.map((c) => ({ ...c, seconds: to(c.seconds) })),
  };
}

/** Keys moved, or copied, by so many seconds. */
export function movedKeys(
  tracks: Track[],
  chosen: KeyRef[],
  bySeconds: number,
  copy = false,
): Edited {
  return retimed(tracks, chosen, (s) => s + bySeconds, copy);
}

/** Keys drawn apart from a time, or together, each on a whole frame where a rate is given. */
export function stretchedKeys(
  tracks: Track[],
  chosen: KeyRef[],
  about: number,
  factor: number,
  framesPerSecond: number | null,
): Edited {
  return retimed(
    tracks,
    chosen,
    (s) => {
      const to = about + (s - about) * factor;
      return framesPerSecond ? Math.round(to * framesPerSecond) / framesPerSecond : to;
    },
    false,
  );
}

/** Tracks without the chosen keys; one that has none left goes too. */
export function withoutKeys(tracks: Track[], chosen: KeyRef[]): Track[] {
  return tracks
    .map((track) => {
      const keys = track.keys.filter((key) => !isChosen(chosen, track.place, key));
      return keys.length === track.keys.length ? track : { ...track, keys };
    })
    .filter((track) => track.keys.length > 0);
}

function parts(value: Key['value']): number[] {
  return Array.isArray(value) ? value : [Number(value)];
}

function joined(values: number[]): Key['slopeIn'] {
  return (values.length === 1 ? values[0] : values) as Key['slopeIn'];
}

/** The slope through a key's neighbours, a second: a smooth way over the key. */
function through(keys: Key[], i: number): Key['slopeIn'] {
  const before = keys[Math.max(0, i - 1)]!;
  const after = keys[Math.min(keys.length - 1, i + 1)]!;
  const time = after.seconds - before.seconds;
  const to = parts(after.value);
  return joined(parts(before.value).map((a, k) => (time > 0 ? (to[k]! - a) / time : 0)));
}

/** Chosen keys with another way to the next; a free one begins smooth at both its ends. */
export function withSpan(tracks: Track[], chosen: KeyRef[], span: Span): Track[] {
  return tracks.map((track) => {
    if (!chosen.some((c) => c.place === track.place) || holdsOnly(track.keys[0]!.value)) {
      return track;
    }
    const keys = track.keys.map((key, i) => {
      const own = isChosen(chosen, track.place, key);
      const comesFree =
        span === 'free' && i > 0 && isChosen(chosen, track.place, track.keys[i - 1]!);
      let next = own ? { ...key, span } : key;
      if (own && span === 'free') next = { ...next, slopeOut: through(track.keys, i) };
      if (comesFree) next = { ...next, slopeIn: through(track.keys, i) };
      return next;
    });
    return { ...track, keys };
  });
}

/** A track with another slope at a key; both sides alike unless it is broken there. */
export function withSlope(
  track: Track,
  seconds: number,
  part: number,
  slope: number,
  side: 'in' | 'out' | 'both',
): Track {
  const set = (old: Key['slopeIn'] | undefined, count: number) => {
    const values = old === undefined ? Array<number>(count).fill(0) : parts(old);
    return joined(values.with(part, slope));
  };
  return {
    ...track,
    keys: track.keys.map((key) => {
      if (Math.abs(key.seconds - seconds) >= SAME_SECONDS) return key;
      const count = parts(key.value).length;
      return {
        ...key,
        ...(side === 'out' ? {} : { slopeIn: set(key.slopeIn, count) }),
        ...(side === 'in' ? {} : { slopeOut: set(key.slopeOut, count) }),
      };
    }),
  };
}

/** The least and the most of a track's numbers over a range of time. */
export function extent(track: Track, from: number, to: number, steps = 64): [number, number] {
  let least = Infinity;
  let most = -Infinity;
  const take = (value: Key['value']) => {
    for (const v of parts(value)) {
      least = Math.min(least, v);
      most = Math.max(most, v);
    }
  };
  for (let i = 0; i <= steps; i++) take(valueAt(track, from + ((to - from) * i) / steps));
  track.keys.forEach((key) => take(key.value));
  return [least, most];
}
