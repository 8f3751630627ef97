import type { Material, Operation, Piece, ShootDocument, Shot, Vector } from '../api/document';
import { everything, grey } from '../rooms/set/newPiece';
import { freeId } from './newLight';

/** What shapes light without giving any; none of it is seen by the camera. */
export type Gear = 'flag' | 'bounce' | 'mirror';

export const gearNames: Record<Gear, string> = {
  flag: 'Flag',
  bounce: 'Bounce card',
  mirror: 'Mirror card',
};

const MATERIALS: Record<Gear, Material> = {
  flag: { ...grey, id: 'gear-black', name: 'Black cloth', colour: [0.02, 0.02, 0.02], specular: 0 },
  bounce: {
    ...grey,
    id: 'gear-white',
    name: 'White card',
    colour: [0.88, 0.88, 0.87],
    specular: 0,
  },
  mirror: {
    ...grey,
    id: 'gear-mirror',
    name: 'Mirror',
    colour: [0.93, 0.93, 0.92],
    metalness: 1,
    roughness: 0.02,
  },
};

/** Puts a piece of gear beside what the camera looks at, facing it. */
export function newGear(
  kind: Gear,
  document: ShootDocument,
  shot: Shot,
): { piece: Piece; operations: Operation[] } {
  const material = MATERIALS[kind];
  const [ax, ay, az] = shot.aim;
  const dx = shot.position[0] - ax;
  const dz = shot.position[2] - az;
  const reach = 0.4 * Math.max(0.3, Math.hypot(dx, dz));
  const turn = Math.atan2(dx, dz) - 1.1;
  const side = Math.round(60 * reach) / 100;
  const names = new Set(document.pieces.map((p) => p.name));
  let name = gearNames[kind];
  for (let i = 2; names.has(name); i++) name = `${gearNames[kind]} ${i}`;
  const place: Vector = [ax + reach * Math.sin(turn), ay, az + reach * Math.cos(turn)];
  const piece: Piece = {
    id: freeId(kind, document.pieces),
    name,
    parent: null,
    position: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    rotationDegrees: [0, Math.round((turn * 180) / Math.PI) + 180, 0],
    scale: [1, 1, 1],
    shape: { kind: 'rectangle', width: side, height: side },
    material: material.id,
    copies: null,
    visibility: { ...everything, camera: false, reflection: kind !== 'flag', refraction: false },
    shown: true,
  };
  return {
    piece,
    operations: [
      ...(document.materials.some((m) => m.id === material.id)
        ? []
        : [{ op: 'add' as const, path: '/materials/-', value: material }]),
      { op: 'add', path: '/pieces/-', value: piece },
    ],
  };
}
