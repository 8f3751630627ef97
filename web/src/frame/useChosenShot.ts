import type { Shot } from '../api/document';
import { useDesk } from '../live/useShoot';
import { useChoice } from './choice';

/** The shot that the page shows; the first one until another is chosen. */
export function useChosenShot(): Shot {
  const desk = useDesk();
  const id = useChoice((c) => c.shot);
  return desk.document.shots.find((s) => s.id === id) ?? desk.document.shots[0]!;
}
