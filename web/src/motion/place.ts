import type { KeyValue, Operation, ShootDocument } from '../api/document';
import { patched } from '../api/patch';

type Node = Record<string, unknown>;

const LISTS = ['pieces', 'materials', 'lights', 'banks', 'shots', 'looks'];

/** The path of a place in the document, as edits name it; null when there is no such entry. */
export function pathOf(document: ShootDocument, place: string): string | null {
  const [list = '', id = '', ...way] = place.split('/');
  if (!LISTS.includes(list)) return `/${place}`;
  const index = entries(document, list).findIndex((entry) => entry.id === id);
  return index < 0 ? null : `/${list}/${index}/${way.join('/')}`;
}

function entries(document: ShootDocument, list: string): { id: string; name?: string }[] {
  return (document as unknown as Record<string, { id: string }[]>)[list] ?? [];
}

/** The value at a place; undefined when there is none. */
export function valueOf(document: ShootDocument, place: string): KeyValue | undefined {
  const path = pathOf(document, place);
  let node: unknown = document;
  for (const step of path?.split('/').slice(1) ?? []) {
    node = (node as Node | null | undefined)?.[step];
  }
  return path === null ? undefined : (node as KeyValue | undefined);
}

/** The operation that puts a value at a place. */
export function putting(document: ShootDocument, place: string, value: KeyValue): Operation[] {
  const path = pathOf(document, place);
  return path === null ? [] : [{ op: 'replace', path, value }];
}

function isTriple(value: unknown): boolean {
  return (
    Array.isArray(value) && value.length === 3 && value.every((part) => typeof part === 'number')
  );
}

/** The ways to numbers, triples of numbers and switches that differ between two nodes. */
function differing(before: unknown, after: unknown, way: string, to: string[]) {
  if (before === after || after === null || before === null || before === undefined) return;
  if (isTriple(after)) {
    if (JSON.stringify(before) !== JSON.stringify(after)) to.push(way);
  } else if (typeof after === 'number' || typeof after === 'boolean') {
    if (typeof before === typeof after) to.push(way);
  } else if (typeof after === 'object' && typeof before === 'object') {
    for (const [key, value] of Object.entries(after as Node)) {
      differing((before as Node)[key], value, way === '' ? key : `${way}/${key}`, to);
    }
  }
}

/**
 * The places that operations would change and that can be keyed: numbers, triples and switches of
 * entries that are there. Choices are keyed where a control says so.
 */
export function placesOf(document: ShootDocument, operations: Operation[]): string[] {
  const places: string[] = [];
  for (const operation of operations) {
    if (operation.op !== 'replace') continue;
    const after = patched(document, [operation]);
    const [list = '', index = ''] = operation.path.split('/').slice(1);
    if (list === 'masterStops') places.push(list);
    else if (list === 'bounce') {
      differing(document.bounce, after.bounce, 'bounce', places);
    } else if (LISTS.includes(list) && operation.path.split('/').length > 3) {
      const entry = entries(document, list)[Number(index)];
      if (!entry) continue;
      const changed = entries(after, list)[Number(index)];
      differing(entry, changed, `${list}/${entry.id}`, places);
    }
  }
  return [...new Set(places)];
}

/** Fields that say what a thing is, not how it looks. */
const FIXED = /(^|\/)(id|seed|polar|around|candela|point|normal|step|profile)(\/|$)/;

/** The ways to all numbers, triples and switches of an entry that can be keyed. */
export function keyablePaths(entry: unknown, way = ''): string[] {
  if (FIXED.test(way)) return [];
  if (isTriple(entry) || typeof entry === 'number' || typeof entry === 'boolean') return [way];
  if (entry === null || typeof entry !== 'object') return [];
  const more = Array.isArray(entry) && entry.length > 8 ? [] : Object.entries(entry as Node);
  return more.flatMap(([key, value]) => keyablePaths(value, way === '' ? key : `${way}/${key}`));
}
