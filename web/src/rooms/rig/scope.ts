import type { Piece, Scope } from '../../api/document';

/** The piece and all that holds it, from the inside out. */
function line(pieces: Piece[], id: string): string[] {
  const to: string[] = [];
  for (let at: string | null = id; at !== null && !to.includes(at);) {
    to.push(at);
    const here: string = at;
    at = pieces.find((p) => p.id === here)?.parent ?? null;
  }
  return to;
}

/** Whether a piece is in a scope, by itself or by what holds it. */
export function isIn(scope: Scope, pieces: Piece[], id: string): boolean {
  const named = line(pieces, id).some((at) => scope.pieces.includes(at));
  return named === scope.only;
}

/** How many pieces that have a shape are in a scope. */
export function countIn(scope: Scope, pieces: Piece[]): number {
  if (scope.pieces.length === 0) return scope.only ? 0 : pieces.filter((p) => p.shape).length;
  return pieces.filter((p) => p.shape && isIn(scope, pieces, p.id)).length;
}

/** A scope with a piece, and all that it holds, put in or taken out; the others stay as they are. */
export function scoped(scope: Scope, pieces: Piece[], id: string, wanted: boolean): Scope {
  const own = new Set([id]);
  for (let before = 0; before < own.size;) {
    before = own.size;
    pieces.forEach((p) => p.parent && own.has(p.parent) && own.add(p.id));
  }
  const named = new Set(scope.pieces.filter((at) => !own.has(at)));
  const wantNamed = wanted === scope.only;
  const holders = line(pieces, id).slice(1);
  const holder = holders.findIndex((at) => named.has(at));
  if (wantNamed) {
    if (holder < 0) named.add(id);
  } else if (holder >= 0) {
    // What holds it is named: name in its place all that it holds but the way down to the piece.
    const way = [id, ...holders.slice(0, holder + 1)];
    for (const at of holders.slice(holder).filter((h) => named.has(h))) named.delete(at);
    for (const at of way.slice(1)) {
      pieces.filter((p) => p.parent === at && !way.includes(p.id)).forEach((p) => named.add(p.id));
    }
  }
  return { only: scope.only, pieces: [...named] };
}
