import { expect, it } from 'vitest';
import type { Piece, ShootDocument, Vector } from '../../api/document';
import { after, composed, parentFrame, point } from '../../picture/frame';
import { mirrored } from './mirror';
import { everything } from './newPiece';

const piece = (id: string, parent: string | null, position: Vector, turn: Vector): Piece => ({
  id,
  name: id,
  parent,
  position,
  rotationDegrees: turn,
  scale: [1, 2, 0.5],
  shape: null,
  material: null,
  copies: null,
  visibility: everything,
  shown: true,
});

it('mirrors every point of a piece and of what stands in it', () => {
  const pieces = [
    piece('leaf', 'tree', [0.1, 0.2, 0.3], [5, 6, 7]),
    piece('tree', null, [1, 2, 3], [20, 40, 60]),
  ];
  const copies = mirrored('tree', { pieces } as ShootDocument);
  expect(copies.map((c) => [c.id, c.parent])).toEqual([
    ['tree-2', null],
    ['leaf-2', 'tree-2'],
  ]);
  const all = [...pieces, ...copies];
  const world = (p: Piece) =>
    point(
      after(parentFrame(all, p.parent), composed(p.position, p.rotationDegrees, p.scale)),
      [0.4, -0.3, 0.8],
    );
  const [x, y, z] = world(pieces[0]!);
  const copy = world(copies[1]!);
  expect(copy[0]).toBeCloseTo(-x, 9);
  expect(copy[1]).toBeCloseTo(y, 9);
  expect(copy[2]).toBeCloseTo(z, 9);
});
