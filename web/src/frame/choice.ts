import { create } from 'zustand';

export type Room = 'set' | 'rig' | 'look';

interface Choice {
  room: Room;
  shot: string | null;
  light: string | null;
  piece: string | null;
  trayHeight: number;
}

/** What the artist has chosen on this page. */
export const useChoice = create<Choice>(() => ({
  room: 'rig',
  shot: null,
  light: null,
  piece: null,
  trayHeight: 196,
}));
