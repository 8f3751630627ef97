import type { Operation, Piece, ShootDocument, Visibility } from '../../api/document';
import { setField } from '../../api/patch';

/** Where a card or a picture is seen. */
export type Showing = 'both' | 'reflections' | 'picture' | 'other';

type Switches = Omit<Visibility, 'reflectedIn' | 'portal'>;

const none: Switches = {
  camera: false,
  reflection: false,
  refraction: false,
  shadow: false,
  bounce: false,
  shadowCatcher: false,
};

const WAYS: Record<Exclude<Showing, 'other'>, Switches> = {
  both: { ...none, camera: true, reflection: true, refraction: true, shadow: true, bounce: true },
  reflections: { ...none, reflection: true },
  picture: { ...none, camera: true, refraction: true },
};

/** Which of the ways a piece shows in. */
export function showing({ visibility }: Piece): Showing {
  const keys = Object.keys(none) as (keyof Switches)[];
  const way = (Object.keys(WAYS) as Exclude<Showing, 'other'>[]).find((w) =>
    keys.every((k) => WAYS[w][k] === visibility[k]),
  );
  return way ?? 'other';
}

/**
 * Shows a piece in a way. If it glows, and no other piece of its material does, its light lights
 * nothing where it is seen in one way alone.
 */
export function shownAs(
  piece: Piece,
  way: Exclude<Showing, 'other'>,
  document: ShootDocument,
): Operation[] {
  const { reflectedIn, portal } = piece.visibility;
  const operations = [
    setField(document, 'pieces', piece.id, 'visibility', { ...WAYS[way], portal, reflectedIn }),
  ];
  const alone = document.pieces.filter((p) => p.material === piece.material).length === 1;
  const light = document.lights.find(
    (l) => l.emitter.kind === 'emissive' && l.emitter.material === piece.material,
  );
  if (light && alone) {
    operations.push(
      setField(document, 'lights', light.id, 'diffuse', way === 'both' ? 1 : 0),
      setField(document, 'lights', light.id, 'specular', way === 'picture' ? 0 : 1),
    );
  }
  return operations;
}
