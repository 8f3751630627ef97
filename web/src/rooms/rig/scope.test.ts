import { describe, expect, it } from 'vitest';
import type { Piece, Scope } from '../../api/document';
import { countIn, isIn, scoped } from './scope';

const piece = (id: string, parent: string | null = null) =>
  ({ id, name: id, parent, shape: { kind: 'box' } }) as Piece;
const pieces = [piece('table'), piece('lamp', 'table'), piece('book', 'table'), piece('wall')];
const all: Scope = { only: false, pieces: [] };

describe('links', () => {
  it('a piece stands for all that it holds', () => {
    const scope = scoped(all, pieces, 'table', false);
    expect(isIn(scope, pieces, 'lamp')).toBe(false);
    expect(isIn(scope, pieces, 'wall')).toBe(true);
    expect(countIn(scope, pieces)).toBe(1);
  });

  it('one of what a struck piece holds can come back alone', () => {
    const scope = scoped(scoped(all, pieces, 'table', false), pieces, 'lamp', true);
    expect(isIn(scope, pieces, 'lamp')).toBe(true);
    expect(isIn(scope, pieces, 'book')).toBe(false);
  });

  it('striking out and in again comes back to everything', () => {
    const scope = scoped(scoped(all, pieces, 'wall', false), pieces, 'wall', true);
    expect(scope).toEqual(all);
  });

  it('of a light linked to few a piece more can be lit', () => {
    const scope = scoped({ only: true, pieces: ['wall'] }, pieces, 'book', true);
    expect(pieces.map((p) => isIn(scope, pieces, p.id))).toEqual([false, false, true, true]);
  });
});
