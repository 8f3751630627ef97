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
  /** What the piece itself shows to. */
  showing: Showing;
  shown: boolean;
}

export interface Showing {
  camera: boolean;
  reflection: boolean;
  refraction: boolean;
  shadow: boolean;
  bounce: boolean;
  /** The camera sees nothing of it but the shadows on it. */
  catcher: boolean;
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
  displacement: Texture | null;
  displacementMetres: number;
  opacity: Texture | null;
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

/** How bright a lamp is; its efficacy (lm/W) goes with watts alone. */
export interface Brightness {
  value: number;
  unit: Unit;
  efficacy?: number;
}

export type Unit = 'lm' | 'cd' | 'lx' | 'cd/m2' | 'W' | 'x';

/** Measured intensities by direction. */
export interface Profile {
  name: string;
  polar: number[];
  around: number[];
  candela: number[];
}

/** A pattern in a lamp's gate. */
export interface Gobo {
  picture: string;
  offsetX: number;
  offsetY: number;
  turnDegrees: number;
  scale: number;
  edge: 'dark' | 'repeat' | 'hold';
  contrast: number;
  gamma: number;
  inverted: boolean;
  blur: number;
}

export interface Doors {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export interface Daylight {
  headingDegrees: number;
  heightDegrees: number;
  when: {
    latitude: number;
    longitude: number;
    year: number;
    month: number;
    day: number;
    hour: number;
    zoneHours: number;
    northDegrees: number;
  } | null;
  haze: number;
  ground: Vector;
  horizonDegrees: number;
  horizonSoftness: number;
  night: Vector;
  nightLuminance: number;
  warmth: number;
  saturation: number;
}

interface Face {
  twoSided: boolean;
  spreadDegrees: number;
  picture: string | null;
}

export type Emitter =
  | ({ kind: 'rectangle'; width: number; height: number } & Face)
  | ({ kind: 'disc'; radius: number } & Face)
  | { kind: 'sphere'; radius: number }
  | { kind: 'tube'; length: number; radius: number }
  | { kind: 'point'; profile: Profile | null }
  | {
      kind: 'spot';
      coneDegrees: number;
      feather: number;
      sourceRadius: number;
      gateDistance: number;
      profile: Profile | null;
      gobo: Gobo | null;
      doors: Doors | null;
    }
  | { kind: 'sun'; sizeDegrees: number }
  | {
      kind: 'environment';
      picture: string;
      turnDegrees: number;
      tiltDegrees: number;
      blurDegrees: number;
      seamShare: number;
    }
  | { kind: 'dome'; above: Vector; below: Vector }
  | { kind: 'sky'; daylight: Daylight }
  | { kind: 'sky-sun'; sky: string; sizeDegrees: number }
  | { kind: 'plate'; picture: string }
  | { kind: 'emissive'; material: string; picture: string | null };

/** A set of pieces: the named ones alone, or all but them. */
export interface Scope {
  only: boolean;
  pieces: string[];
}

export interface Light {
  id: string;
  name: string;
  emitter: Emitter;
  place: Vector;
  aim: Vector;
  rollDegrees: number;
  brightness: Brightness;
  levelStops: number;
  colour: { kelvin: number; tint: number; filter: Vector };
  muted: boolean;
  alone: boolean;
  showsToCamera: boolean;
  lit: Scope;
  shadows: Scope;
  matte: number;
  gloss: number;
  shadowDepth: number;
  shadowColour: Vector;
  fadesAtMetres: number;
  tiedTo: string | null;
  aimedAt: string | null;
  bank: string | null;
  /** Whose mirror image it is. */
  twin: { of: string; point: Vector; normal: Vector } | null;
}

/** Several lights that share a fader, mute and colour trim. */
export interface Bank {
  id: string;
  name: string;
  levelStops: number;
  filter: Vector;
  muted: boolean;
  alone: boolean;
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
  /** Leaves out what lies behind the set; pictures get an alpha. */
  cutOut: boolean;
}

interface Halo {
  /** Whether it is drawn. */
  on: boolean;
  /** Share of the source that goes into it. */
  level: number;
  colour: Vector;
  ownShare: number;
}

export type GlowSource = 'picture' | 'emission' | 'lights' | 'pieces' | 'materials';

/** What a lens spreads of a source. */
export interface Glow {
  id: string;
  name: string;
  on: boolean;
  source: { kind: GlowSource; of: string[] };
  threshold: number;
  softness: number;
  beyond: boolean;
  bloom: Halo & { size: number };
  streaks: Halo & { count: number; turnDegrees: number; length: number };
  ghosts: Halo & { count: number; spread: number };
}

export interface CurvePoint {
  x: number;
  y: number;
}

export interface Wheels {
  lift: Vector;
  gamma: Vector;
  gain: Vector;
  offset: Vector;
  saturation: number;
}

export interface Grade {
  on: boolean;
  amount: number;
  wheels: Wheels;
  curves: { all: CurvePoint[]; red: CurvePoint[]; green: CurvePoint[]; blue: CurvePoint[] };
  lut: string | null;
  lutAmount: number;
}

export interface Look {
  id: string;
  name: string;
  ev: number;
  /** A camera's settings, which give the exposure value. */
  camera: { fNumber: number; shutterSeconds: number; iso: number } | null;
  balance: { kelvin: number; tint: number };
  curve: 'plain' | 'negative' | 'slide' | 'baryta';
  shoulderStart: number;
  shoulderStops: number;
  burn: number;
  blackPoint: number;
  contrast: number;
  saturation: number;
  glows: Glow[];
  optics: {
    vignette: number;
    distortion: number;
    fringing: number;
    sharpening: number;
    sharpeningSize: number;
    grain: number;
    grainSize: number;
  };
  contact: { amount: number; reach: number };
  plate: { stops: number; blur: number };
  grade: Grade;
}

export interface ShootDocument {
  format: string;
  version: number;
  name: string;
  masterStops: number;
  bounce: { most: number; level: number; fadesAtMetres: number };
  banks: Bank[];
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
