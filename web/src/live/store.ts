import { create } from 'zustand';
import type { Operation } from '../api/document';
import type { Obstacle } from './arrive';

export interface Frame {
  revision: number;
  mark: number;
  shot: string;
  width: number;
  height: number;
  columns: number;
  rows: number;
  step: number;
  samples: number;
  denoised: boolean;
  rays: number;
  mixMillis: number;
  sinceEditMillis: number;
}

export interface Progress {
  samples: number;
  noisePercent: number | null;
  wantedPercent: number;
  secondsLeft: number | null;
  state: 'tracing' | 'paused' | 'done';
  rays: number;
  tracedSeconds: number;
  filmBytes: number;
  /** Contributions since the last change that were no finite number. */
  dropped: number;
  mostFilmBytes: number;
  /** Memory of the pictures of materials. */
  pictureBytes: number;
  triangles: number;
  shares: Record<string, number>;
}

export interface Reading {
  x: number;
  y: number;
  luminance: number;
  stops: number | null;
  light: string | null;
  share: number;
}

export type Denoise = 'never' | 'noisy' | 'always';

export type ScopesOf = 'off' | 'shown' | 'light';

/** What scopes draw. */
export interface Scopes {
  of: ScopesOf;
  /** Columns of the waveform. */
  columns: number;
  /** Levels of every scope. */
  levels: number;
  leastStops: number;
  mostStops: number;
  clippedPercent: number;
  blackPercent: number;
  /** Luma, red, green, blue: a share for every level. */
  histogram: number[];
  /** What greys from −8 to +8 stops are shown as, eight a stop: red, green, blue. */
  curve: number[];
  /** Luma, red, green, blue: brightness by columns and levels. */
  waveform: Uint8Array;
  /** Brightness by rows. */
  vectors: Uint8Array;
}

/** How the shoot is shown: traced with its light, in clay, or without light. */
export interface View {
  kind: 'traced' | 'clay' | 'stops' | 'clipped' | 'shaded' | 'unlit' | 'mesh' | 'pieces';
  /** Reflectance of the clay, 0…1. */
  clay: number;
  keepGlass: boolean;
  keepEmission: boolean;
}

export interface LiveState {
  connected: boolean;
  image: ImageData | null;
  frame: Frame | null;
  progress: Progress | null;
  reading: Reading | null;
  scopes: Scopes | null;
  scopesOf: ScopesOf;
  failure: string | null;
  /** Milliseconds from the last change of a hand to the picture that shows it. */
  handMillis: number | null;
  /** Edits on their way to be kept, oldest first; the page shows the document with them. */
  pending: Operation[][];
  /** What they wait for, if it takes longer. */
  obstacle: Obstacle | null;
  /** Operations tried but not kept yet; the page shows the document with them. */
  trial: Operation[] | null;
  /** Whether the control in the hand shows its own value. */
  own: boolean;
  paused: boolean;
  /** Noise at which tracing ends. */
  wantedPercent: number;
  /** When the picture is shown denoised. */
  denoise: Denoise;
  view: View;
}

/** What comes over the live channel, and what the hand is just trying. */
export const useLive = create<LiveState>(() => ({
  connected: false,
  image: null,
  frame: null,
  progress: null,
  reading: null,
  scopes: null,
  scopesOf: 'off',
  failure: null,
  handMillis: null,
  pending: [],
  obstacle: null,
  trial: null,
  own: false,
  paused: false,
  wantedPercent: 2,
  denoise: 'noisy',
  view: { kind: 'traced', clay: 0.5, keepGlass: true, keepEmission: true },
}));
