import type { Daylight, Emitter, Light, ShootDocument, Shot, Unit, Vector } from '../api/document';
import { kindNames } from './LightMark';

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

const open = { twoSided: false, spreadDegrees: 180, picture: null };

export const clearDay: Daylight = {
  headingDegrees: 140,
  heightDegrees: 35,
  when: null,
  haze: 2.5,
  ground: [0.12, 0.11, 0.1],
  horizonDegrees: 0,
  horizonSoftness: 0.1,
  night: [0.25, 0.4, 1],
  nightLuminance: 0.001,
  warmth: 0,
  saturation: 1,
};

const EMITTERS: Record<NewKind, Emitter> = {
  rectangle: { kind: 'rectangle', width: 0.6, height: 0.6, ...open },
  softbox: { kind: 'rectangle', width: 0.9, height: 1.2, ...open },
  disc: { kind: 'disc', radius: 0.3, ...open },
  sphere: { kind: 'sphere', radius: 0.05 },
  tube: { kind: 'tube', length: 1.2, radius: 0.015 },
  point: { kind: 'point', profile: null },
  spot: {
    kind: 'spot',
    coneDegrees: 40,
    feather: 0.25,
    sourceRadius: 0.006,
    gateDistance: 0.4,
    profile: null,
    gobo: null,
    doors: null,
  },
  sun: { kind: 'sun', sizeDegrees: 0.53 },
  environment: {
    kind: 'environment',
    picture: '',
    rotationDegrees: 0,
    tiltDegrees: 0,
    blurDegrees: 0,
    seamBlend: 0,
  },
  plate: { kind: 'plate', picture: '' },
  dome: { kind: 'dome', above: [1, 1, 1], below: [1, 1, 1] },
  sky: { kind: 'sky', daylight: clearDay },
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

/** What a light has that is neither said nor levered. */
export const untouched = {
  lightLinking: { only: false, pieces: [] },
  shadowLinking: { only: false, pieces: [] },
  diffuse: 1,
  specular: 1,
  shadowDensity: 1,
  shadowColour: [0, 0, 0] as Vector,
  fadesAtMetres: 0,
  castsCaustics: 'automatic' as const,
  causticLevel: 1,
  causticSoftnessMillimetres: 0,
  causticSoftnessShare: 0,
  causticFadesAtMetres: 0,
  parent: null,
  aimedAt: null,
  bank: null,
  mirror: null,
};

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
  return {
    id,
    name,
    emitter: picture ? ({ ...EMITTERS[kind], picture } as Emitter) : EMITTERS[kind],
    position: place.map((x) => Math.round(x * 1000) / 1000) as Vector,
    aim: shot.aim,
    rollDegrees: 0,
    brightness: { efficacy: 100, ...BRIGHTNESS[kind] },
    levelStops: 0,
    colour: {
      kelvin: ['sky', 'dome', 'environment', 'plate'].includes(kind) ? 6504 : 5600,
      tint: 0,
      filter: [1, 1, 1],
    },
    muted: false,
    solo: false,
    seenDirectly: ['sky', 'environment', 'plate'].includes(kind),
    ...untouched,
  };
}

/** The sun of a sky that is about to be added. */
export function sunOf(sky: Light, document: ShootDocument): Light {
  return {
    ...sky,
    id: freeId(`${sky.id}-sun`, document.lights),
    name: sky.name === 'Sky' ? 'Sun' : `Sun of ${sky.name}`,
    emitter: { kind: 'sky-sun', sky: sky.id, sizeDegrees: 0.53 },
  };
}
