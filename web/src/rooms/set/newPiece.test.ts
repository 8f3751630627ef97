import { describe, expect, it } from 'vitest';
import type { Piece, ShootDocument, Shot } from '../../api/document';
import { testShot } from '../../picture/testShot';
import { everything, newPiece, newShapes, withAllIn } from './newPiece';

const piece = (id: string, parent: string | null): Piece => ({
  id,
  name: id,
  parent,
  position: [0, 0, 0],
  rotationDegrees: [0, 0, 0],
  scale: [1, 1, 1],
  shape: null,
  material: null,
  copies: null,
  visibility: everything,
  shown: true,
});

const shot: Shot = { ...testShot, position: [0, 1, 4], aim: [0.5, 0.8, -1] };

describe('new pieces', () => {
  it('stand on the floor under the aim, with a name and an id of their own', () => {
    const document = {
      pieces: [piece('box', null), { ...piece('b', null), name: 'Box' }],
      materials: [],
    } as unknown as ShootDocument;
    const made = newPiece('box', document, shot);
    expect(made.id).toBe('box-2');
    expect(made.name).toBe('Box 2');
    expect(made.position).toEqual([0.5, 0, -1]);
    expect(made.material).toBe('grey');
    expect(newPiece('group', document, shot).material).toBeNull();
    expect(newPiece('sphere', document, shot).position[1]).toBe(newShapes.sphere!.lift);
  });

  it('face the camera where they have a face, a sweep with its floor under the aim', () => {
    const document = { pieces: [], materials: [] } as unknown as ShootDocument;
    const aside: Shot = { ...testShot, position: [3, 1, -1], aim: [0, 0.5, -1] };
    expect(newPiece('box', document, aside).rotationDegrees).toEqual([0, 0, 0]);
    expect(newPiece('card', document, aside).rotationDegrees).toEqual([0, 90, 0]);
    const sweep = newPiece('sweep', document, aside);
    expect(sweep.rotationDegrees).toEqual([0, 90, 0]);
    expect(sweep.position).toEqual([-2.2, 0, -1]);
  });

  it('are taken away with all that stands in them', () => {
    const pieces = [piece('leaf', 'twig'), piece('tree', null), piece('twig', 'tree')];
    expect([...withAllIn('tree', pieces)].sort()).toEqual(['leaf', 'tree', 'twig']);
    expect([...withAllIn('leaf', pieces)]).toEqual(['leaf']);
  });
});
