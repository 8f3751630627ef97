import type { ShootTitle } from '../api/document';

/** A name for a new shoot that none has yet. */
export function freeTitle(titles: Pick<ShootTitle, 'name'>[]): string {
  const taken = new Set(titles.map((t) => t.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? 'New shoot' : `New shoot ${n}`;
    if (!taken.has(name)) return name;
  }
}
