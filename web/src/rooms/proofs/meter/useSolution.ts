import { useEffect, useRef, useState } from 'react';
import { api } from '../../../api/client';
import type { Operation, Solved } from '../../../api/document';
import { say, useDesk } from '../../../live/useShoot';
import { settled } from '../useProofs';

export interface ShownLevels<T> {
  /** The answer whose levels are shown over the kept ones, before they are taken. */
  solved: T | null;
  busy: boolean;
  solve: () => void;
  /** Keeps the levels; true when that went well. */
  take: () => Promise<boolean>;
  leave: () => void;
}

export type SolutionHands = ShownLevels<Solved>;

/** Finds levels for the targets. */
export function useSolution(): SolutionHands {
  return useShownLevels(api.solveTargets, 'Meet targets');
}

/** Asks the server for levels and shows them live until they are taken, as one edit, or left. */
export function useShownLevels<T extends { operations: unknown }>(
  ask: (shoot: string) => Promise<T>,
  edit: string,
): ShownLevels<T> {
  const desk = useDesk();
  const [found, setFound] = useState<{ solved: T; revision: number } | null>(null);
  const [busy, setBusy] = useState(false);
  const latest = useRef(desk);
  useEffect(() => {
    latest.current = desk;
  });
  // After another edit they are those of another rig.
  const { revision } = desk.state;
  const stale = found !== null && found.revision !== revision;
  useEffect(() => {
    if (stale) latest.current.leave();
  }, [stale]);
  const solved = stale ? null : (found?.solved ?? null);
  const shown = useRef(false);
  useEffect(() => {
    shown.current = solved !== null;
  });
  useEffect(
    () => () => {
      if (shown.current) latest.current.leave();
    },
    [],
  );
  const solve = async () => {
    setBusy(true);
    try {
      desk.leave();
      await settled();
      await new Promise((drawn) => setTimeout(drawn, 0));
      const { id, revision: now } = latest.current.state;
      const answer = await ask(id);
      setFound({ solved: answer, revision: now });
      latest.current.tryOut(answer.operations as Operation[]);
    } catch (error) {
      say(error);
    } finally {
      setBusy(false);
    }
  };
  const take = async () => {
    if (!solved) return false;
    setFound(null);
    return desk.keep(edit, solved.operations as Operation[]);
  };
  const leave = () => {
    setFound(null);
    desk.leave();
  };
  return { solved, busy, solve: () => void solve(), take, leave };
}
