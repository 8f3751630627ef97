import type { Emitter, Light, ShootDocument, Shot, Unit, Vector } from '../api/document';
import { kindNames } from './LightMark';

export type NewKind = 'rectangle' | 'sphere' | 'point' | 'dome';

const EMITTERS: Record<NewKind, Emitter> = {
  rectangle: { kind: 'rectangle', width: 0.6, height: 0.6, twoSided: false },
  sphere: { kind: 'sphere', radius: 0.05 },
  point: { kind: 'point' },
  dome: { kind: 'dome' },
};

const BRIGHTNESS: Record<NewKind, { value: number; unit: Unit }> = {
  rectangle: { value: 2500, unit: 'lm' },
  sphere: { value: 800, unit: 'lm' },
  point: { value: 800, unit: 'lm' },
  dome: { value: 100, unit: 'cd/m2' },
};

/** An id that the list does not have yet. */
export function freeId(stem: string, taken: { id: string }[]): string {
  const ids = new Set(taken.map((t) => t.id));
  let id = stem;
  for (let i = 2; ids.has(id); i++) id = `${stem}-${i}`;
  return id;
}

/** A light beside the camera, above its line of view, aimed at what the camera is aimed at. */
export function newLight(kind: NewKind, document: ShootDocument, shot: Shot): Light {
  const [ax, ay, az] = shot.aim;
  const dx = shot.place[0] - ax;
  const dz = shot.place[2] - az;
  const reach = 0.6 * Math.max(0.3, Math.hypot(dx, dz));
  const turn = Math.atan2(dx, dz) + 0.8;
  const place: Vector = [
    ax + reach * Math.sin(turn),
    ay + 0.6 * reach,
    az + reach * Math.cos(turn),
  ];
  const id = freeId(kind, document.lights);
  const names = new Set(document.lights.map((l) => l.name));
  let name = kindNames[kind];
  for (let i = 2; names.has(name); i++) name = `${kindNames[kind]} ${i}`;
  return {
    id,
    name,
    emitter: EMITTERS[kind],
    place: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    aim: shot.aim,
    rollDegrees: 0,
    brightness: BRIGHTNESS[kind],
    levelStops: 0,
    colour: { kelvin: 5600, tint: 0, filter: [1, 1, 1] },
    muted: false,
    alone: false,
    showsToCamera: false,
  };
}
