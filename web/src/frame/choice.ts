import { create } from 'zustand';

export type Room = 'set' | 'rig' | 'look' | 'proofs' | 'motion' | 'print';

/** What is pointed at in the picture. */
export interface At {
  piece: string;
  material: string | null;
  position: { x: number; y: number; z: number };
  normal: { x: number; y: number; z: number };
  depth: number;
}

export interface Armed {
  /** What the pointer is to do, as the picture says it. */
  what: string;
  /** Gets what is pointed at. */
  then?: (at: At) => void;
  /** Gets the place of the picture, 0…1 from the left and the top. */
  take?: (x: number, y: number) => void;
  /** Follows the pointer over the picture. */
  hover?: (x: number, y: number) => void;
  /** Undoes what following did. */
  leave?: () => void;
  /** Stays armed after a click. */
  stays?: boolean;
}

/** What of the Rig the tray shows. */
export type RigTray = 'desk' | 'links';

/** What of the Look the tray shows. */
export type LookTray = 'scopes' | 'curve' | 'looks' | 'grades';

/** What the middle of the page shows. */
export type Middle = 'picture' | 'plan' | 'both';

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
  rigTray: RigTray;
  lookTray: LookTray;
  /** Which glow of the look is open. */
  glow: string | null;
  middle: Middle;
  planFrom: 'top' | 'side' | 'front';
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
  rigTray: 'desk',
  lookTray: 'scopes',
  glow: null,
  middle: 'picture',
  planFrom: 'top',
}));

/**
 * Chooses what an edit makes at once, so that what the hand does next is done to it; goes back when
 * the edit is not kept.
 */
export async function chosenWith(kept: Promise<boolean>, next: Partial<Choice>) {
  const now = useChoice.getState();
  const before = Object.fromEntries(
    Object.keys(next).map((key) => [key, now[key as keyof Choice]]),
  ) as Partial<Choice>;
  useChoice.setState(next);
  if (!(await kept)) useChoice.setState(before);
}

/** Leaves what was armed, undoing what it was trying. */
export function disarm() {
  const { armed } = useChoice.getState();
  useChoice.setState({ armed: null });
  armed?.leave?.();
}

// What was armed in one room would surprise in the next.
useChoice.subscribe((now, before) => {
  if (now.room !== before.room && now.armed) disarm();
});
