import { Problem } from '../api/client';
import type { ShootState } from '../api/document';

/** What keeps an edit waiting in the page. */
export type Obstacle = 'unreachable' | 'not-kept';

/** What is asked of the application while an edit waits. */
export interface ArrivalHooks {
  state: () => Promise<ShootState>;
  storage: () => Promise<{ keeps: boolean }>;
  /** Tells what the edit waits for; null when it waits no more. */
  waits: (obstacle: Obstacle | null) => void;
  /** Whether the page has left the shoot. */
  left: () => boolean;
}

const RETRY_MILLIS = 1000;

const obstacle = (error: unknown): Obstacle | null =>
  error instanceof Problem && (error.code === 'unreachable' || error.code === 'not-kept')
    ? error.code
    : null;

async function answered(asked: ArrivalHooks): Promise<ShootState> {
  for (;;) {
    await new Promise((done) => setTimeout(done, RETRY_MILLIS));
    if (asked.left()) throw new Problem('left', 'The shoot was left.', '', '');
    try {
      if ((await asked.storage()).keeps) return await asked.state();
    } catch (error) {
      if (!obstacle(error)) throw error;
    }
  }
}

/**
 * Makes an edit arrive: when the application does not answer or cannot keep anything it waits, and
 * sends the edit again unless it had arrived before the answer was lost.
 *
 * @param label of the edit, by which one that has arrived is known; null where any change will do
 */
export async function arrive(
  step: (revision: number) => Promise<ShootState>,
  known: ShootState,
  label: string | null,
  asked: ArrivalHooks,
): Promise<ShootState> {
  try {
    for (;;) {
      try {
        return await step(known.revision);
      } catch (error) {
        const why = obstacle(error);
        if (!why) throw error;
        asked.waits(why);
        const now = await answered(asked);
        if (now.revision === known.revision) continue;
        if (now.revision === known.revision + 1 && (label === null || now.undo === label)) {
          return now;
        }
        throw new Problem(
          'stale',
          'The shoot was changed elsewhere while the application did not answer.',
          'The newer state was kept; this change was not made.',
          'Make the change again if it is still wanted.',
        );
      }
    }
  } finally {
    asked.waits(null);
  }
}
