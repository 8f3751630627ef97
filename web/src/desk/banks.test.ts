import { describe, expect, it } from 'vitest';
import type { Bank, Light, ShootDocument } from '../api/document';
import { patched } from '../api/patch';
import { banked } from './banks';

const light = (id: string, bank: string | null) => ({ id, name: id, bank }) as Light;
const bank = (id: string): Bank => ({
  id,
  name: id,
  levelStops: 0,
  filter: [1, 1, 1],
  muted: false,
  solo: false,
});
const shoot = (lights: Light[], banks: Bank[]) =>
  ({ lights, banks, motion: { tracks: [], links: [] } }) as unknown as ShootDocument;

describe('banks', () => {
  it('two lights make a new bank', () => {
    const before = shoot([light('a', null), light('b', null)], []);
    const after = patched(before, banked(['a', 'b'], undefined, before));
    expect(after.banks.map((b) => b.id)).toEqual(['bank']);
    expect(after.lights.map((l) => l.bank)).toEqual(['bank', 'bank']);
  });

  it('a bank that is left without lights goes', () => {
    const before = shoot([light('a', 'x'), light('b', 'y')], [bank('x'), bank('y')]);
    const after = patched(before, banked(['a'], 'y', before));
    expect(after.banks.map((b) => b.id)).toEqual(['y']);
    expect(after.lights.map((l) => l.bank)).toEqual(['y', 'y']);
  });
});
