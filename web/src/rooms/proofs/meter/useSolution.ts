import { useEffect, useRef, useState } from 'react';
import { api } from '../../../api/client';
import type { Operation, Solved } from '../../../api/document';
import { say, useDesk } from '../../../live/useShoot';

export interface SolutionHands {
  /** The levels that are shown over the kept ones, before they are taken. */
  solved: Solved | null;
  busy: boolean;
  solve: () => void;
  take: () => void;
  leave: () => void;
}

/** Finds levels for the targets and shows them live until they are taken or left. */
export function useSolution(): SolutionHands {
  const desk = useDesk();
  const [found, setFound] = useState<{ solved: Solved; revision: number } | null>(null);
  const [busy, setBusy] = useState(false);
  const { revision, id } = desk.state;
  // Another edit makes them those of another rig.
  const solved = found?.revision === revision ? found.solved : null;
  const shown = useRef<(() => void) | null>(null);
  useEffect(() => {
    shown.current = solved ? desk.leave : null;
  });
  useEffect(() => () => shown.current?.(), []);
  const solve = async () => {
    setBusy(true);
    try {
      desk.leave();
      const answer = await api.solveTargets(id);
      setFound({ solved: answer, revision });
      desk.tryOut(answer.operations as Operation[]);
    } catch (error) {
      say(error);
    } finally {
      setBusy(false);
    }
  };
  const take = () => {
    if (!solved) return;
    setFound(null);
    void desk.keep('Meet targets', solved.operations as Operation[]);
  };
  const leave = () => {
    setFound(null);
    desk.leave();
  };
  return { solved, busy, solve: () => void solve(), take, leave };
}
