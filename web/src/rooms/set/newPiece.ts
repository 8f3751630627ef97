import type { Material, Piece, Shape, ShootDocument, Shot, Vector } from '../../api/document';
import { freeId } from '../../desk/newLight';

/** The set pieces that can be built, with the numbers they begin with, in metres. */
export const newShapes: Record<string, { name: string; shape: Shape; lift: number }> = {
  floor: { name: 'Floor', shape: { kind: 'floor', width: 4, depth: 4 }, lift: 0 },
  sweep: {
    name: 'Paper sweep',
    shape: { kind: 'sweep', width: 3, depth: 3, height: 2.5, radius: 0.8 },
    lift: 0,
  },
  box: {
    name: 'Box',
    shape: { kind: 'box', width: 0.3, height: 0.3, depth: 0.3, rounding: 0.005 },
    lift: 0,
  },
  sphere: { name: 'Sphere', shape: { kind: 'sphere', radius: 0.15 }, lift: 0.15 },
  cylinder: {
    name: 'Cylinder',
    shape: { kind: 'cylinder', radius: 0.1, height: 0.3, rounding: 0.004 },
    lift: 0,
  },
  cone: { name: 'Cone', shape: { kind: 'cone', radius: 0.12, top: 0, height: 0.3 }, lift: 0 },
  torus: { name: 'Torus', shape: { kind: 'torus', radius: 0.2, tube: 0.04 }, lift: 0.04 },
  rectangle: { name: 'Card', shape: { kind: 'rectangle', width: 1, height: 1 }, lift: 0.5 },
};

/** Dimensions of a shape that are shown as fields, with their labels. */
export const dimensions: Record<string, [field: string, label: string][]> = {
  floor: [
    ['width', 'Width'],
    ['depth', 'Depth'],
  ],
  sweep: [
    ['width', 'Width'],
    ['depth', 'Depth'],
    ['height', 'Height'],
    ['radius', 'Radius'],
  ],
  box: [
    ['width', 'Width'],
    ['height', 'Height'],
    ['depth', 'Depth'],
    ['rounding', 'Rounding'],
  ],
  sphere: [['radius', 'Radius']],
  cylinder: [
    ['radius', 'Radius'],
    ['height', 'Height'],
    ['rounding', 'Rounding'],
  ],
  cone: [
    ['radius', 'Radius'],
    ['top', 'Radius above'],
    ['height', 'Height'],
  ],
  torus: [
    ['radius', 'Radius'],
    ['tube', 'Tube'],
  ],
  rectangle: [
    ['width', 'Width'],
    ['height', 'Height'],
  ],
};

/** A piece that stands on the floor under what the camera is aimed at. */
export function newPiece(kind: string, document: ShootDocument, shot: Shot): Piece {
  const { name, shape, lift } = newShapes[kind]!;
  const names = new Set(document.pieces.map((p) => p.name));
  let free = name;
  for (let i = 2; names.has(free); i++) free = `${name} ${i}`;
  const place: Vector = [shot.aim[0], lift, shot.aim[2]];
  return {
    id: freeId(kind, document.pieces),
    name: free,
    parent: null,
    place: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    turnDegrees: [0, 0, 0],
    size: [1, 1, 1],
    shape,
    material: document.materials[0]?.id ?? 'grey',
    copies: null,
    shown: true,
  };
}

/** The material that a set without any begins with. */
export const grey: Material = {
  id: 'grey',
  name: 'Grey',
  colour: [0.5, 0.5, 0.5],
  metalness: 0,
  edge: [1, 1, 1],
  index: null,
  roughness: 0.5,
  gloss: 1,
  ior: 1.5,
  transmission: 0,
  tint: [1, 1, 1],
  tintDepth: 0.01,
  thin: false,
  abbe: 0,
  coat: { amount: 0, roughness: 0.1, ior: 1.5 },
  sheen: { colour: [0, 0, 0], roughness: 0.5 },
  maps: {
    colour: null,
    ramp: [],
    second: null,
    mask: null,
    roughness: null,
    metalness: null,
    normal: null,
    normalStrength: 1,
    bump: null,
    bumpMetres: 0.001,
    rim: null,
  },
};

/** The piece and all that stands in it. */
export function withAllIn(id: string, pieces: Piece[]): Set<string> {
  const all = new Set([id]);
  for (let before = 0; before < all.size;) {
    before = all.size;
    for (const piece of pieces) {
      if (piece.parent !== null && all.has(piece.parent)) all.add(piece.id);
    }
  }
  return all;
}
