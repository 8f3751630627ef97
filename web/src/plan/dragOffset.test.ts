import { describe, expect, it } from 'vitest';
import type { Piece, ShootDocument, Vector } from '../api/document';
import { carried, dragOffset } from './dragOffset';

const piece = (id: string, parent: string | null, place: Vector, turn = 0) =>
  ({ id, parent, position: place, rotationDegrees: [0, turn, 0], scale: [1, 1, 1] }) as Piece;
const shoot = (...pieces: Piece[]) => ({ pieces }) as ShootDocument;

describe('a piece that the hand is moving on the plan', () => {
  const kept = shoot(piece('table', null, [1, 0, 0]), piece('lamp', 'table', [0, 1, 0]));

  it('stays where nothing is tried', () => {
    expect(dragOffset('lamp', kept, kept)).toBeNull();
  });

  it('takes what it holds along', () => {
    const tried = shoot(piece('table', null, [1, 0, 2]), kept.pieces[1]!);
    const moved = carried('top', [[1.5, 0]], dragOffset('lamp', kept, tried)!);
    expect(moved[0]![0]).toBeCloseTo(1.5);
    expect(moved[0]![1]).toBeCloseTo(2);
  });

  it('turns about its own place', () => {
    // A quarter turn about Y takes +X to −Z, which is up on the plan from above.
    const tried = shoot(piece('table', null, [1, 0, 0], 90), kept.pieces[1]!);
    const [corner] = carried('top', [[1.5, 0]], dragOffset('table', kept, tried)!);
    expect(corner![0]).toBeCloseTo(1);
    expect(corner![1]).toBeCloseTo(-0.5);
  });
});
