import { useEffect } from 'react';
import { typing } from '../../frame/typing';
import { useProofChoice, useTakeProof } from './useProofs';

/** P takes a proof; B held shows the chosen one, or the newest. */
export function useProofKeys(shoot: string) {
  const take = useTakeProof();
  useEffect(() => {
    const down = (e: KeyboardEvent) => {
      if (typing() || e.repeat || e.ctrlKey || e.metaKey || e.altKey) return;
      const key = e.key.toLowerCase();
      if (key === 'p') void take(shoot);
      if (key === 'b') useProofChoice.setState({ flipped: true });
    };
    const up = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() === 'b') useProofChoice.setState({ flipped: false });
    };
    const leave = () => useProofChoice.setState({ flipped: false });
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    addEventListener('blur', leave);
    return () => {
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
      removeEventListener('blur', leave);
    };
  }, [shoot, take]);
}
