import { create } from 'zustand';

export type Room = 'set' | 'rig' | 'look';

/** What is pointed at in the picture. */
export interface At {
  piece: string;
  material: string | null;
  place: { x: number; y: number; z: number };
  normal: { x: number; y: number; z: number };
  depth: number;
}

export interface Armed {
  /** What the pointer is to do, as the picture says it. */
  what: string;
  then: (at: At) => void;
}

interface Choice {
  room: Room;
  shot: string | null;
  light: string | null;
  piece: string | null;
  /** Which handles the chosen piece has over the picture. */
  handle: 'move' | 'turn' | 'size';
  /** What the next click on the picture does, in place of choosing a piece. */
  armed: Armed | null;
  trayHeight: number;
}

/** What the artist has chosen on this page. */
export const useChoice = create<Choice>(() => ({
  room: 'rig',
  shot: null,
  light: null,
  piece: null,
  handle: 'move',
  armed: null,
  trayHeight: 196,
}));
