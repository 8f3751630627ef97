import type { Emitter, Light, ShootDocument, Shot, Vector } from '../api/document';
import { defaultsOf } from './defaults';
import { emitter, lightKinds, type InitialLight } from './lightKinds';

/** What can be added: every kind that has initial values, and a rectangle as large as a softbox. */
export type NewKind = Exclude<Emitter['kind'], 'sky-sun' | 'emissive'> | 'softbox';

interface NewLight extends InitialLight {
  name: string;
}

const softbox: NewLight = {
  name: 'Softbox',
  emitter: emitter('rectangle', { width: 0.9, height: 1.2 }),
  brightness: { value: 5000, unit: 'lm' },
};

/** Names of new lights that are not those of their kinds. */
const NAMES: Partial<Record<Emitter['kind'], string>> = { sky: 'Sun and sky' };

export const newKinds = Object.fromEntries(
  Object.entries(lightKinds).flatMap(([kind, { name, initial }]) => {
    if (!initial) return [];
    const fresh = { ...initial, name: NAMES[kind as Emitter['kind']] ?? name };
    return kind === 'rectangle'
      ? [
          [kind, fresh],
          ['softbox', softbox],
        ]
      : [[kind, fresh]];
  }),
) as Record<NewKind, NewLight>;

/** A light with all that it need not say. */
export const lightDefaults = () =>
  defaultsOf<Omit<Light, 'id' | 'name' | 'emitter' | 'brightness'>>('light');
const EFFICACY = defaultsOf<Pick<Light['brightness'], 'efficacy'>>('brightness');

/** An id that the list does not have yet. */
export function freeId(stem: string, taken: { id: string }[]): string {
  const ids = new Set(taken.map((t) => t.id));
  let id = stem;
  for (let i = 2; ids.has(id); i++) id = `${stem}-${i}`;
  return id;
}

/** A light beside the camera, above its line of view, aimed at what the camera is aimed at. */
export function newLight(kind: NewKind, document: ShootDocument, shot: Shot, picture = ''): Light {
  const [ax, ay, az] = shot.aim;
  const dx = shot.position[0] - ax;
  const dz = shot.position[2] - az;
  const reach = 0.6 * Math.max(0.3, Math.hypot(dx, dz));
  const turn = Math.atan2(dx, dz) + 0.8;
  const place: Vector = [
    ax + reach * Math.sin(turn),
    ay + 0.6 * reach,
    az + reach * Math.cos(turn),
  ];
  const id = freeId(kind, document.lights);
  const names = new Set(document.lights.map((l) => l.name));
  const stem = kind === 'sky' ? 'Sky' : newKinds[kind].name;
  let name = stem;
  for (let i = 2; names.has(name); i++) name = `${stem} ${i}`;
  const base = lightDefaults();
  const white = ['sky', 'dome', 'environment', 'plate'].includes(kind);
  return {
    ...base,
    id,
    name,
    emitter: picture ? ({ ...newKinds[kind].emitter, picture } as Emitter) : newKinds[kind].emitter,
    position: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    aim: shot.aim,
    brightness: { ...EFFICACY, ...newKinds[kind].brightness },
    colour: white ? base.colour : { ...base.colour, kelvin: 5600 },
    seenDirectly: ['sky', 'environment', 'plate'].includes(kind),
  };
}

/** The sun of a sky that is about to be added. */
export function sunOf(sky: Light, document: ShootDocument): Light {
  return {
    ...sky,
    id: freeId(`${sky.id}-sun`, document.lights),
    name: sky.name === 'Sky' ? 'Sun' : `Sun of ${sky.name}`,
    emitter: emitter('sky-sun', { sky: sky.id }),
  };
}
