import type { Daylight, Emitter, Light, ShootDocument, Shot, Unit, Vector } from '../api/document';
import { defaultsOf } from './defaults';
import { lightKinds } from './lightKinds';

export type NewKind =
  | 'rectangle'
  | 'softbox'
  | 'disc'
  | 'sphere'
  | 'tube'
  | 'point'
  | 'spot'
  | 'sun'
  | 'environment'
  | 'dome'
  | 'sky'
  | 'plate';

/** A kind of light with all that it need not say. */
function emitter<K extends Emitter['kind']>(
  kind: K,
  said: Partial<Extract<Emitter, { kind: K }>> = {},
): Emitter {
  return { ...defaultsOf(`emitter.${kind}`), ...said, kind } as Emitter;
}

export const clearDay: Daylight = {
  ...defaultsOf<Daylight>('daylight'),
  headingDegrees: 140,
  heightDegrees: 35,
};

/** How a new light begins. */
interface Start {
  name: string;
  emitter: Emitter;
  brightness: { value: number; unit: Unit };
}

export const newKinds: Record<NewKind, Start> = {
  rectangle: {
    name: lightKinds.rectangle.name,
    emitter: emitter('rectangle', { width: 0.6, height: 0.6 }),
    brightness: { value: 2500, unit: 'lm' },
  },
  softbox: {
    name: 'Softbox',
    emitter: emitter('rectangle', { width: 0.9, height: 1.2 }),
    brightness: { value: 5000, unit: 'lm' },
  },
  disc: {
    name: lightKinds.disc.name,
    emitter: emitter('disc', { radius: 0.3 }),
    brightness: { value: 2500, unit: 'lm' },
  },
  sphere: {
    name: lightKinds.sphere.name,
    emitter: emitter('sphere', { radius: 0.05 }),
    brightness: { value: 800, unit: 'lm' },
  },
  tube: {
    name: lightKinds.tube.name,
    emitter: emitter('tube', { length: 1.2, radius: 0.015 }),
    brightness: { value: 3000, unit: 'lm' },
  },
  point: {
    name: lightKinds.point.name,
    emitter: emitter('point'),
    brightness: { value: 800, unit: 'lm' },
  },
  spot: {
    name: lightKinds.spot.name,
    emitter: emitter('spot', {
      coneDegrees: 40,
      feather: 0.25,
      sourceRadius: 0.006,
      gateDistance: 0.4,
    }),
    brightness: { value: 3000, unit: 'cd' },
  },
  sun: {
    name: lightKinds.sun.name,
    emitter: emitter('sun'),
    brightness: { value: 10000, unit: 'lx' },
  },
  environment: {
    name: lightKinds.environment.name,
    emitter: emitter('environment', { picture: '' }),
    brightness: { value: 500, unit: 'cd/m2' },
  },
  plate: {
    name: lightKinds.plate.name,
    emitter: emitter('plate', { picture: '' }),
    brightness: { value: 300, unit: 'cd/m2' },
  },
  dome: {
    name: lightKinds.dome.name,
    emitter: emitter('dome'),
    brightness: { value: 100, unit: 'cd/m2' },
  },
  sky: {
    name: 'Sun and sky',
    emitter: emitter('sky', { daylight: clearDay }),
    brightness: { value: 1, unit: 'x' },
  },
};

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
