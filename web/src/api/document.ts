/** The shoot document as docs/shoot-format.md describes it. */
export type Vector = [number, number, number];

export interface Shape {
  kind: string;
  [dimension: string]: unknown;
}

export interface Copies {
  count: number;
  step: Vector;
  turnDegrees: Vector;
  scatter: {
    seed: number;
    spread: Vector;
    turnDegrees: Vector;
    leastSize: number;
    mostSize: number;
  } | null;
}

export interface Piece {
  id: string;
  name: string;
  parent: string | null;
  place: Vector;
  turnDegrees: Vector;
  size: Vector;
  shape: Shape | null;
  material: string | null;
  copies: Copies | null;
  shown: boolean;
}

/** A picture laid on a surface. */
export interface Texture {
  picture: string;
  lay: 'first' | 'second' | 'metres';
  offsetU: number;
  offsetV: number;
  repeatsU: number;
  repeatsV: number;
  turnDegrees: number;
  edge: 'repeat' | 'mirror' | 'hold';
}

export interface Maps {
  colour: Texture | null;
  ramp: { at: number; colour: Vector }[];
  second: Texture | null;
  mask: Texture | null;
  roughness: Texture | null;
  metalness: Texture | null;
  normal: Texture | null;
  normalStrength: number;
  bump: Texture | null;
  bumpMetres: number;
  rim: { colour: Vector; amount: number; falloff: number } | null;
}

export interface Material {
  id: string;
  name: string;
  colour: Vector;
  metalness: number;
  edge: Vector;
  index: { n: Vector; k: Vector } | null;
  roughness: number;
  gloss: number;
  ior: number;
  transmission: number;
  tint: Vector;
  tintDepth: number;
  thin: boolean;
  abbe: number;
  coat: { amount: number; roughness: number; ior: number };
  sheen: { colour: Vector; roughness: number };
  maps: Maps;
}

export type Unit = 'lm' | 'cd' | 'lx' | 'cd/m2' | 'W';

export type Emitter =
  | { kind: 'rectangle'; width: number; height: number; twoSided: boolean }
  | { kind: 'sphere'; radius: number }
  | { kind: 'point' }
  | { kind: 'environment'; picture: string; turnDegrees: number }
  | { kind: 'dome' }
  | { kind: 'emissive'; material: string };

export interface Light {
  id: string;
  name: string;
  emitter: Emitter;
  place: Vector;
  aim: Vector;
  rollDegrees: number;
  brightness: { value: number; unit: Unit };
  levelStops: number;
  colour: { kelvin: number; tint: number; filter: Vector };
  muted: boolean;
  alone: boolean;
  showsToCamera: boolean;
}

export interface Shot {
  id: string;
  name: string;
  place: Vector;
  aim: Vector;
  focalLengthMm: number;
  sensorWidthMm: number;
  fStop: number;
  focusDistance: number;
  look: string;
  upright: boolean;
  blades: number;
  bladeTurnDegrees: number;
  exposureStops: number;
  cropAspect: number;
}

export interface Look {
  id: string;
  name: string;
  ev: number;
  shoulderStart: number;
  shoulderStops: number;
}

export interface ShootDocument {
  format: string;
  version: number;
  name: string;
  masterStops: number;
  pieces: Piece[];
  materials: Material[];
  lights: Light[];
  shots: Shot[];
  looks: Look[];
}

export interface ShootState {
  id: string;
  revision: number;
  document: ShootDocument;
  undo: string | null;
  redo: string | null;
}

/** What bringing a model in did. */
export interface Brought {
  state: ShootState;
  report: {
    piece: string;
    sizeMetres: Vector;
    came: string[];
    left: string[];
    hints: string[];
  };
}

export interface ShootTitle {
  id: string;
  name: string;
  changed: string;
}

/** One operation of JSON Patch (RFC 6902). */
export interface Operation {
  op: 'add' | 'remove' | 'replace';
  path: string;
  value?: unknown;
}
