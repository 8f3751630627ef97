import type { Piece, ShootDocument } from '../../api/document';
import { freeId } from '../../desk/newLight';
import { withAllIn } from './newPiece';

/** A piece and all that stands in it once more, mirrored to the other side of X = 0. */
export function mirrored(id: string, document: ShootDocument): Piece[] {
  const all = withAllIn(id, document.pieces);
  const taken = [...document.pieces];
  const ids = new Map<string, string>();
  const own = document.pieces.find((p) => p.id === id)!;
  return [own, ...document.pieces.filter((p) => p.id !== id && all.has(p.id))]
    .map((piece) => {
      const copy: Piece = { ...piece, id: freeId(piece.id, taken) };
      taken.push(copy);
      ids.set(piece.id, copy.id);
      if (piece.id === id) {
        const [x, y, z] = piece.position;
        const [a, b, c] = piece.rotationDegrees;
        copy.name = `${piece.name}, mirrored`;
        copy.position = [-x, y, z];
        copy.rotationDegrees = [a, -b, -c];
        copy.scale = [-piece.scale[0], piece.scale[1], piece.scale[2]];
        if (piece.copies) {
          const [sx, sy, sz] = piece.copies.step;
          const [ta, tb, tc] = piece.copies.rotationDegrees;
          copy.copies = { ...piece.copies, step: [-sx, sy, sz], rotationDegrees: [ta, -tb, -tc] };
        }
      }
      return copy;
    })
    .map((copy) => ({
      ...copy,
      parent: copy.parent === null ? null : (ids.get(copy.parent) ?? copy.parent),
    }));
}
