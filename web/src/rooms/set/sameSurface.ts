import type { Material } from '../../api/document';

/** True when two materials differ in id and name at most. */
export function sameSurface(a: Material, b: Material): boolean {
  const bare = (m: Material) => JSON.stringify(sorted({ ...m, id: '', name: '' }));
  return bare(a) === bare(b);
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, v]) => [key, sorted(v)]),
  );
}
