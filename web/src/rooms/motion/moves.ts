import type { Schemas, ShootDocument } from '../../api/document';
import { quantities, type Quantity } from '../../controls/quantity';

export type MoveKind = Schemas['Move']['kind'];

export interface Parameter {
  name: string;
  label: string;
  start: number;
  quantity: Quantity;
  /** A switch, 0 or 1. */
  onOff?: boolean;
}

export interface MoveForm {
  kind: MoveKind | 'sound';
  text: string;
  /** What it does, in a sentence. */
  says: string;
  /** What it can be of. */
  of: (document: ShootDocument) => { id: string; name: string }[];
  parameters: Parameter[];
}

const number = (unit: string, least: number, most: number, step: number, digits = 2): Quantity => ({
  unit,
  least,
  most,
  step,
  digits,
});

const lights = (d: ShootDocument) => d.lights;
const shots = (d: ShootDocument) => d.shots;
const depth: Parameter = {
  name: 'stops',
  label: 'Falls by',
  start: 2,
  quantity: { ...number('st', 0, 10, 1 / 3), stops: true },
};
const seed: Parameter = {
  name: 'seed',
  label: 'Variation',
  start: 1,
  quantity: number('', 1, 9999, 1, 0),
};
const hour = (name: string, label: string, start: number): Parameter => ({
  name,
  label,
  start,
  quantity: number('h', 0, 24, 0.25),
});

/** The moves that keys can be made of. */
export const MOVES: MoveForm[] = [
  {
    kind: 'TURNTABLE',
    text: 'Turntable',
    says: 'The piece turns evenly about the vertical.',
    of: (d) => d.pieces,
    parameters: [
      { name: 'turns', label: 'Turns', start: 1, quantity: number('', -1000, 1000, 0.25) },
    ],
  },
  {
    kind: 'ORBIT',
    text: 'Orbit',
    says: 'The camera goes round what it looks at.',
    of: shots,
    parameters: [
      { name: 'degrees', label: 'By', start: 360, quantity: number('°', -3600, 3600, 15, 1) },
    ],
  },
  {
    kind: 'DOLLY',
    text: 'Dolly',
    says: 'The camera goes towards what it looks at, its focus with it.',
    of: shots,
    parameters: [{ name: 'metres', label: 'Forwards', start: 0.2, quantity: quantities.metres }],
  },
  {
    kind: 'SUN',
    text: 'Sun through the day',
    says: 'A sky or a sun goes from hour to hour. A sky that has a place and a date keeps them.',
    of: (d) => d.lights.filter((l) => l.emitter.kind === 'sky' || l.emitter.kind === 'sun'),
    parameters: [
      hour('fromHour', 'From', 6),
      hour('toHour', 'To', 18),
      { name: 'latitude', label: 'Latitude', start: 52, quantity: number('°', -90, 90, 1) },
      { name: 'longitude', label: 'Longitude', start: 4, quantity: number('°', -180, 180, 1) },
      { name: 'month', label: 'Month', start: 6, quantity: number('', 1, 12, 1, 0) },
      { name: 'day', label: 'Day', start: 21, quantity: number('', 1, 31, 1, 0) },
      { name: 'zoneHours', label: 'Clock ahead by', start: 1, quantity: number('h', -14, 14, 1) },
      { name: 'northDegrees', label: 'North at', start: 0, quantity: number('°', -360, 360, 5) },
    ],
  },
  {
    kind: 'CANDLE',
    text: 'Candle',
    says: 'Mostly steady, with soft dips.',
    of: lights,
    parameters: [{ ...depth, start: 1.5 }, seed],
  },
  {
    kind: 'FAILING_TUBE',
    text: 'Failing tube',
    says: 'Steady, then it stutters off and on.',
    of: lights,
    parameters: [{ ...depth, start: 6 }, seed],
  },
  {
    kind: 'FIRE',
    text: 'Fire',
    says: 'Never at rest.',
    of: lights,
    parameters: [depth, seed],
  },
  {
    kind: 'PULSE',
    text: 'Pulse',
    says: 'The light swells and falls evenly.',
    of: lights,
    parameters: [
      { name: 'everySeconds', label: 'Every', start: 1, quantity: number('s', 0.05, 3600, 0.1) },
      depth,
    ],
  },
  {
    kind: 'FADE_IN',
    text: 'Fade in',
    says: 'The light comes up from nothing.',
    of: lights,
    parameters: [],
  },
  {
    kind: 'FADE_OUT',
    text: 'Fade out',
    says: 'The light goes down to nothing.',
    of: lights,
    parameters: [],
  },
  {
    kind: 'ON_OFF',
    text: 'On and off',
    says: 'The light is on for a while, then off, and so on.',
    of: lights,
    parameters: [
      { name: 'onSeconds', label: 'On for', start: 0.5, quantity: number('s', 0.02, 3600, 0.1) },
      { name: 'offSeconds', label: 'Off for', start: 0.5, quantity: number('s', 0.02, 3600, 0.1) },
    ],
  },
  {
    kind: 'CHASE',
    text: 'Chase',
    says: 'Light runs over the lights of a bank, one after the other.',
    of: (d) => d.banks,
    parameters: [
      {
        name: 'everySeconds',
        label: 'Every',
        start: 0.25,
        quantity: number('s', 0.02, 3600, 0.05),
      },
      {
        name: 'stays',
        label: 'They stay on',
        start: 0,
        quantity: number('', 0, 1, 1),
        onOff: true,
      },
    ],
  },
  {
    kind: 'WATER',
    text: 'Water',
    says: 'Waves run with time.',
    of: (d) => d.pieces.filter((p) => p.shape?.kind === 'water'),
    parameters: [{ name: 'speed', label: 'Speed', start: 1, quantity: number('', -100, 100, 0.1) }],
  },
  {
    kind: 'sound',
    text: 'Sound',
    says: 'The level follows how loud a sound file (.wav) is.',
    of: lights,
    parameters: [{ ...depth, start: 4 }],
  },
];
