import { create } from 'zustand';
import type { Operation, Schemas } from '../api/document';
import type { Obstacle } from './arrive';

export type Frame = Schemas['FrameHeader'];
export type Progress = Schemas['LiveProgress'];
export type Reading = Schemas['LiveReading'];
export type Denoise = Schemas['LiveDenoise']['when'];
export type ScopesOf = Schemas['LiveWantedScopes']['of'];

/** What scopes draw: the header and the bytes after it. */
export type Scopes = Omit<Schemas['ScopesHeader'], 'kind'> & {
  /** Luma, red, green, blue: brightness by columns and levels. */
  waveform: Uint8Array;
  /** Brightness by rows. */
  vectors: Uint8Array;
};

/** How the shoot is shown: traced with its light, in clay, or without light. */
export type View = Said<Omit<Schemas['LiveChosenView'], 'type'>>;

/** Fields that may be left out, but are said. */
type Said<T> = { [K in keyof T]: NonNullable<T[K]> };

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
  /** The live picture is not yet of the time that is shown. */
  seeking: boolean;
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
  seeking: false,
  paused: false,
  wantedPercent: 2,
  denoise: 'noisy',
  view: { kind: 'traced', clay: 0.5, keepGlass: true, keepEmission: true },
}));
