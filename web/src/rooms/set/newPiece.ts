import type {
  Material,
  Piece,
  Shape,
  ShootDocument,
  Shot,
  Visibility,
  Vector,
} from '../../api/document';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { freeId } from '../../desk/newLight';
import { defaultsOf } from '../../desk/defaults';

/** The set pieces that can be built, with the numbers they begin with, in metres. */
export const newShapes: Record<string, { name: string; shape: Shape | null; lift: number }> = {
  floor: { name: 'Floor', shape: { kind: 'floor', width: 4, depth: 4 }, lift: 0 },
  sweep: {
    name: 'Paper sweep',
    shape: { kind: 'sweep', width: 4, depth: 4, height: 3, radius: 0.8 },
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
  lathe: {
    name: 'Lathe',
    shape: {
      kind: 'lathe',
      profile: [
        { radius: 0, height: 0 },
        { radius: 0.06, height: 0 },
        { radius: 0.09, height: 0.08 },
        { radius: 0.075, height: 0.16 },
        { radius: 0.035, height: 0.22 },
        { radius: 0.045, height: 0.26 },
        { radius: 0.042, height: 0.26 },
        { radius: 0.032, height: 0.22 },
        { radius: 0.071, height: 0.16 },
        { radius: 0.086, height: 0.08 },
        { radius: 0.057, height: 0.004 },
        { radius: 0, height: 0.004 },
      ],
      closed: false,
      creaseDegrees: 60,
    },
    lift: 0,
  },
  torus: { name: 'Torus', shape: { kind: 'torus', radius: 0.2, tube: 0.04 }, lift: 0.04 },
  rectangle: { name: 'Card', shape: { kind: 'rectangle', width: 1, height: 1 }, lift: 0.5 },
  card: {
    name: 'Bent card',
    shape: { kind: 'card', width: 1, height: 0.6, bendDegrees: 60 },
    lift: 0.3,
  },
  room: {
    name: 'Room',
    shape: {
      kind: 'room',
      width: 5,
      depth: 4,
      height: 2.8,
      thickness: 0.25,
      openings: [
        { wall: 'right', across: 0, sill: 0.8, width: 1.4, height: 1.5 },
        { wall: 'behind', across: 0, sill: 0, width: 4.6, height: 2.7 },
      ],
    },
    lift: 0,
  },
  tube: {
    name: 'Tube',
    shape: {
      kind: 'tube',
      points: [
        { x: -0.3, y: 0.1, z: 0 },
        { x: -0.1, y: 0.35, z: 0 },
        { x: 0.1, y: 0.1, z: 0 },
        { x: 0.3, y: 0.35, z: 0 },
      ],
      radius: 0.015,
      closed: false,
    },
    lift: 0,
  },
  water: {
    name: 'Water',
    shape: {
      kind: 'water',
      width: 2,
      depth: 2,
      deep: 0.2,
      waveHeight: 0.01,
      waveLength: 0.25,
      headingDegrees: 30,
      choppiness: 0.2,
      waveSpeed: 1,
      seed: 1,
      ripples: [],
      fine: null,
      seconds: 0,
    },
    lift: 0.2,
  },
  ground: {
    name: 'Ground',
    shape: { kind: 'ground', width: 6, depth: 6, rise: 0.4, feature: 1.5, roughness: 0.5, seed: 1 },
    lift: 0,
  },
  text: {
    name: 'Text',
    shape: { kind: 'text', text: 'Saltmere', height: 0.2, depth: 0.05, bevel: 0.004, spacing: 0 },
    lift: 0,
  },
  group: { name: 'Group', shape: null, lift: 0 },
};

/** The text of every kind of shape. */
export const shapeNames: Record<string, string> = {
  ...Object.fromEntries(Object.entries(newShapes).map(([kind, { name }]) => [kind, name])),
  mesh: 'Mesh',
  model: 'Model',
  struts: 'Struts',
  smooth: 'Smooth',
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
  card: [
    ['width', 'Width'],
    ['height', 'Height'],
    ['bendDegrees', 'Bend'],
  ],
  room: [
    ['width', 'Width'],
    ['depth', 'Depth'],
    ['height', 'Height'],
    ['thickness', 'Walls'],
  ],
  tube: [['radius', 'Radius']],
  ground: [
    ['width', 'Width'],
    ['depth', 'Depth'],
    ['rise', 'Rise'],
    ['feature', 'Forms'],
    ['roughness', 'Roughness'],
    ['seed', 'Seed'],
  ],
  text: [
    ['height', 'Capitals'],
    ['depth', 'Depth'],
    ['bevel', 'Bevel'],
    ['spacing', 'Spacing'],
  ],
  lathe: [['creaseDegrees', 'Crease angle']],
  struts: [['radius', 'Strut radius']],
  smooth: [
    ['creaseDegrees', 'Crease angle'],
    ['subdivisions', 'Subdivided'],
  ],
};

const fromNothing: Quantity = { ...quantities.length, least: 0 };
export const seed = withRange({ unit: '', step: 1, digits: 0 }, 'shape.ground', 'seed');

/** What kind of number a dimension is, where it is no plain length. */
export const dimensionQuantity: Record<string, Quantity> = {
  rounding: fromNothing,
  top: fromNothing,
  rise: fromNothing,
  bevel: fromNothing,
  spacing: withRange({ unit: '', step: 0.01, digits: 2 }, 'shape.text', 'spacing'),
  bendDegrees: withRange(quantities.degrees, 'shape.card', 'bendDegrees'),
  roughness: quantities.share,
  seed,
  creaseDegrees: withRange(quantities.degrees, 'shape.lathe', 'creaseDegrees'),
  subdivisions: withRange({ unit: '', step: 1, digits: 0 }, 'shape.smooth', 'subdivisions'),
};

/** What turns its face to the camera when it is built. */
const FACING = new Set(['sweep', 'rectangle', 'card', 'text']);

/** How far before the upright of a sweep its middle is, in shares of its depth. */
const BEFORE_UPRIGHT = 0.55;

/** A grey piece that stands on the floor under what the camera is aimed at. */
export function newPiece(kind: string, document: ShootDocument, shot: Shot): Piece {
  const { name, shape, lift } = newShapes[kind]!;
  const names = new Set(document.pieces.map((p) => p.name));
  let free = name;
  for (let i = 2; names.has(free); i++) free = `${name} ${i}`;
  const dx = shot.position[0] - shot.aim[0];
  const dz = shot.position[2] - shot.aim[2];
  const far = Math.hypot(dx, dz);
  const faces = FACING.has(kind) && far > 1e-3;
  const back =
    faces && shape?.kind === 'sweep' ? (BEFORE_UPRIGHT * (shape.depth as number)) / far : 0;
  const place: Vector = [shot.aim[0] - back * dx, lift, shot.aim[2] - back * dz];
  return {
    ...defaultsOf<Piece>('piece'),
    id: freeId(kind, document.pieces),
    name: free,
    position: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    rotationDegrees: [0, faces ? Math.round((Math.atan2(dx, dz) * 180) / Math.PI) : 0, 0],
    shape: shape as Piece['shape'],
    material: shape ? grey.id : null,
  };
}

/** To all kinds of ray. */
export const everything = defaultsOf<Visibility>('visibility');

/** The material that a set without any begins with. */
export const grey: Material = {
  ...defaultsOf<Omit<Material, 'id' | 'name'>>('material'),
  id: 'grey',
  name: 'Grey',
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
