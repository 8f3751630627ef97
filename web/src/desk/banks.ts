import type { Bank, Operation, ShootDocument } from '../api/document';
import { setField } from '../api/patch';
import { freeId } from './newLight';
import { withoutTracks } from './withoutTracks';

/**
 * Puts lights into a bank, into none (null) or into a new one; a bank that is left without lights
 * goes.
 */
export function banked(
  lights: string[],
  bank: string | null | undefined,
  document: ShootDocument,
): Operation[] {
  const operations: Operation[] = [];
  let to = bank ?? null;
  if (bank === undefined) {
    to = freeId('bank', document.banks);
    const names = new Set(document.banks.map((b) => b.name));
    let name = 'Bank';
    for (let i = 2; names.has(name); i++) name = `Bank ${i}`;
    const fresh: Bank = {
      id: to,
      name,
      levelStops: 0,
      filter: [1, 1, 1],
      muted: false,
      solo: false,
    };
    operations.push({ op: 'add', path: '/banks/-', value: fresh });
  }
  for (const id of lights) operations.push(setField(document, 'lights', id, 'bank', to));
  const left = new Set(
    document.lights.map((l) => (lights.includes(l.id) ? to : l.bank)).filter((b) => b !== null),
  );
  const empty = document.banks.filter((b) => !left.has(b.id)).map((b) => b.id);
  operations.push(...withoutTracks('banks', new Set(empty), document));
  document.banks
    .map((b, i) => ({ b, i }))
    .filter(({ b }) => !left.has(b.id))
    .reverse()
    .forEach(({ i }) => operations.push({ op: 'remove', path: `/banks/${i}` }));
  return operations;
}
