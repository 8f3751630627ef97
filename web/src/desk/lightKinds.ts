import type { Daylight, Emitter, Unit } from '../api/document';
import { defaultsOf } from './defaults';

/** What the page says of a kind of light; its details and its mark on the plan are drawn by kind. */
export interface LightKind {
  name: string;
  /** A line drawing, as an SVG path within 16 by 16. */
  drawing: string;
  /** Whether it faces its light's aim. */
  aimed: boolean;
  /** Whether it is moved by its light's position. */
  placed: boolean;
  /** In which its brightness may be said; the first is the usual one. */
  units: Unit[];
  /** How a new one begins; none for kinds that are made of something that is there. */
  initial?: InitialLight;
}

export interface InitialLight {
  emitter: Emitter;
  brightness: { value: number; unit: Unit };
}

/** A kind of light with all that it need not say. */
export function emitter<K extends Emitter['kind']>(
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

const face: Unit[] = ['lm', 'cd', 'lx', 'cd/m2', 'W'];
const beam: Unit[] = ['lm', 'cd', 'lx', 'W'];

export const lightKinds: Record<Emitter['kind'], LightKind> = {
  rectangle: {
    name: 'Rectangle light',
    drawing: 'M3 4h10v5H3zM4.5 11.5l-1 2.5M8 11.5V14M11.5 11.5l1 2.5',
    aimed: true,
    placed: true,
    units: face,
    initial: {
      emitter: emitter('rectangle', { width: 0.6, height: 0.6 }),
      brightness: { value: 2500, unit: 'lm' },
    },
  },
  disc: {
    name: 'Disc light',
    drawing: 'M8 3a5 2.5 0 1 0 .01 0zM4.5 11l-1 2.5M8 10.5V14M11.5 11l1 2.5',
    aimed: true,
    placed: true,
    units: face,
    initial: { emitter: emitter('disc', { radius: 0.3 }), brightness: { value: 2500, unit: 'lm' } },
  },
  sphere: {
    name: 'Sphere light',
    drawing: 'M8 4.5a3.5 3.5 0 1 0 .01 0zM8 1v1.5M8 13.5V15M1 8h1.5M13.5 8H15',
    aimed: false,
    placed: true,
    units: face,
    initial: {
      emitter: emitter('sphere', { radius: 0.05 }),
      brightness: { value: 800, unit: 'lm' },
    },
  },
  tube: {
    name: 'Tube light',
    drawing:
      'M2.5 5.5h11a1.2 1.2 0 0 1 0 2.4h-11a1.2 1.2 0 0 1 0-2.4zM4.5 10.5V13M8 10.5V14M11.5 10.5V13',
    aimed: true,
    placed: true,
    units: face,
    initial: {
      emitter: emitter('tube', { length: 1.2, radius: 0.015 }),
      brightness: { value: 3000, unit: 'lm' },
    },
  },
  point: {
    name: 'Point light',
    drawing:
      'M8 6.8a1.2 1.2 0 1 0 .01 0zM8 1.5v3M8 11.5v3M1.5 8h3M11.5 8h3M3.5 3.5l2 2M12.5 3.5l-2 2M3.5 12.5l2-2M12.5 12.5l-2-2',
    aimed: false,
    placed: true,
    units: beam,
    initial: { emitter: emitter('point'), brightness: { value: 800, unit: 'lm' } },
  },
  spot: {
    name: 'Spot',
    drawing: 'M6 2h4l.8 3.5H5.2zM5.2 5.5L2 14M10.8 5.5L14 14M8 7.5V13',
    aimed: true,
    placed: true,
    units: beam,
    initial: {
      emitter: emitter('spot', {
        coneDegrees: 40,
        feather: 0.25,
        sourceRadius: 0.006,
        gateDistance: 0.4,
      }),
      brightness: { value: 3000, unit: 'cd' },
    },
  },
  sun: {
    name: 'Sun',
    drawing: 'M11 2a3 3 0 1 0 .01 0zM8 7.5L2.5 13.5M6.5 5L1.5 9.5M10.5 9L6 14',
    aimed: true,
    placed: true,
    units: ['lx'],
    initial: { emitter: emitter('sun'), brightness: { value: 10000, unit: 'lx' } },
  },
  environment: {
    name: 'Environment',
    drawing: 'M1.5 11.5a6.5 6.5 0 0 1 13 0M1.5 11.5h13M4.5 11.5c1-5 6-5 7 0M8 5v6.5',
    aimed: false,
    placed: false,
    units: ['cd/m2'],
    initial: {
      emitter: emitter('environment', { picture: '' }),
      brightness: { value: 500, unit: 'cd/m2' },
    },
  },
  dome: {
    name: 'Dome',
    drawing: 'M1.5 11.5a6.5 6.5 0 0 1 13 0zM8 1.5v2',
    aimed: false,
    placed: false,
    units: ['cd/m2'],
    initial: { emitter: emitter('dome'), brightness: { value: 100, unit: 'cd/m2' } },
  },
  sky: {
    name: 'Sky',
    drawing: 'M1.5 11.5h13M4 9a2 2 0 0 1 .5-3.9A3.2 3.2 0 0 1 10.6 5 2.2 2.2 0 0 1 12 9z',
    aimed: false,
    placed: false,
    units: ['x'],
    initial: {
      emitter: emitter('sky', { daylight: clearDay }),
      brightness: { value: 1, unit: 'x' },
    },
  },
  'sky-sun': {
    name: 'Sun of the sky',
    drawing: 'M8 8.5a3 3 0 0 1 3 3M8 8.5a3 3 0 0 0-3 3M1.5 11.5h13M8 4v2M3 6l1.4 1.4M13 6l-1.4 1.4',
    aimed: false,
    placed: false,
    units: ['x'],
  },
  plate: {
    name: 'Backdrop plate',
    drawing: 'M2 3.5h12v9H2zM2 10l3.5-3 3 2.5 2-1.5 3.5 3',
    aimed: false,
    placed: false,
    units: ['cd/m2'],
    initial: {
      emitter: emitter('plate', { picture: '' }),
      brightness: { value: 300, unit: 'cd/m2' },
    },
  },
  emissive: {
    name: 'Emissive pieces',
    drawing: 'M4 14V9.5L8 6l4 3.5V14zM8 1.5v2M3 3.5l1.2 1.4M13 3.5l-1.2 1.4',
    aimed: false,
    placed: false,
    units: ['cd/m2'],
  },
};
