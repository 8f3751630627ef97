import type { ShootDocument } from '../api/document';
import { after, composed, inverse, parentFrame, plus, point, type Frame } from '../picture/frame';
import { inSpace, onPlan, type From } from './look';

/** How a piece has been moved and from where; null when it is as it was kept. */
export interface DragOffset {
  by: Frame;
  from: Frame;
}

function world(id: string, document: ShootDocument): Frame | null {
  const piece = document.pieces.find((p) => p.id === id);
  if (!piece) return null;
  return after(
    parentFrame(document.pieces, piece.parent),
    composed(piece.position, piece.rotationDegrees, piece.scale),
  );
}

/** What the hand is just doing to a piece, or to what holds it. */
export function dragOffset(
  id: string,
  kept: ShootDocument,
  tried: ShootDocument,
): DragOffset | null {
  if (kept.pieces === tried.pieces) return null;
  const before = world(id, kept);
  const now = world(id, tried);
  if (!before || !now || JSON.stringify(before) === JSON.stringify(now)) return null;
  return { by: after(now, inverse(before)), from: before };
}

/** An outline carried along, seen at the depth of the piece's own place. */
export function carried(from: From, shape: [number, number][], s: DragOffset): [number, number][] {
  const [right, down] = onPlan(from, s.from.shift);
  return shape.map(([x, y]) =>
    onPlan(from, point(s.by, plus(s.from.shift, inSpace(from, x - right, y - down)))),
  );
}
