import type { Daylight, Emitter, Light, ShootDocument, Shot, Unit, Vector } from '../api/document';
import { kindNames } from './LightMark';
import { defaultsOf } from './defaults';

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

const EMITTERS: Record<NewKind, Emitter> = {
  rectangle: emitter('rectangle', { width: 0.6, height: 0.6 }),
  softbox: emitter('rectangle', { width: 0.9, height: 1.2 }),
  disc: emitter('disc', { radius: 0.3 }),
  sphere: emitter('sphere', { radius: 0.05 }),
  tube: emitter('tube', { length: 1.2, radius: 0.015 }),
  point: emitter('point'),
  spot: emitter('spot', {
    coneDegrees: 40,
    feather: 0.25,
    sourceRadius: 0.006,
    gateDistance: 0.4,
  }),
  sun: emitter('sun'),
  environment: emitter('environment', { picture: '' }),
  plate: emitter('plate', { picture: '' }),
  dome: emitter('dome'),
  sky: emitter('sky', { daylight: clearDay }),
};

const BRIGHTNESS: Record<NewKind, { value: number; unit: Unit }> = {
  rectangle: { value: 2500, unit: 'lm' },
  softbox: { value: 5000, unit: 'lm' },
  disc: { value: 2500, unit: 'lm' },
  sphere: { value: 800, unit: 'lm' },
  tube: { value: 3000, unit: 'lm' },
  point: { value: 800, unit: 'lm' },
  spot: { value: 3000, unit: 'cd' },
  sun: { value: 10000, unit: 'lx' },
  environment: { value: 500, unit: 'cd/m2' },
  plate: { value: 300, unit: 'cd/m2' },
  dome: { value: 100, unit: 'cd/m2' },
  sky: { value: 1, unit: 'x' },
};

export const newKindNames: Record<NewKind, string> = {
  rectangle: kindNames.rectangle,
  softbox: 'Softbox',
  disc: kindNames.disc,
  sphere: kindNames.sphere,
  tube: kindNames.tube,
  point: kindNames.point,
  spot: kindNames.spot,
  sun: kindNames.sun,
  environment: kindNames.environment,
  dome: kindNames.dome,
  sky: 'Sun and sky',
  plate: kindNames.plate,
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
  const stem = kind === 'sky' ? 'Sky' : newKindNames[kind];
  let name = stem;
  for (let i = 2; names.has(name); i++) name = `${stem} ${i}`;
  const base = lightDefaults();
  const white = ['sky', 'dome', 'environment', 'plate'].includes(kind);
  return {
    ...base,
    id,
    name,
    emitter: picture ? ({ ...EMITTERS[kind], picture } as Emitter) : EMITTERS[kind],
    position: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    aim: shot.aim,
    brightness: { ...EFFICACY, ...BRIGHTNESS[kind] },
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
