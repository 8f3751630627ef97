import { useEffect, useRef, type PointerEvent as ReactPointerEvent } from 'react';
import type { Motion } from '../../api/document';
import { isChosen, movedKeys, stretchedKeys, type KeyRef } from '../../motion/keysEdit';
import { useMotion } from './motionChoice';
import type { TimeScale } from './useTimeScale';
import type { useTracks } from './useTracks';

interface Drag {
  x: number;
  chosen: KeyRef[];
  /** Set where keys are stretched: the time that stays. */
  about: number | null;
  /** The time that is held while they are. */
  held: number;
  copy: boolean;
  moved: boolean;
}

/** Keys in the hand: moved, copied with Alt held, or stretched. */
export function useKeyDrag(motion: Motion, scale: TimeScale, edit: ReturnType<typeof useTracks>) {
  const drag = useRef<Drag | null>(null);
  const latest = useRef({ motion, scale, edit });
  useEffect(() => {
    latest.current = { motion, scale, edit };
  });

  const take = (e: ReactPointerEvent, at: KeyRef) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    const { keys } = useMotion.getState();
    const there = isChosen(keys, at.place, { seconds: at.seconds } as never);
    const chosen = there ? keys : e.shiftKey ? [...keys, at] : [at];
    useMotion.setState({ keys: chosen, tracks: [at.place] });
    drag.current = {
      x: e.clientX,
      chosen,
      about: null,
      held: at.seconds,
      copy: e.altKey,
      moved: false,
    };
  };

  /** Takes one end of what is chosen. */
  const stretch = (e: ReactPointerEvent, about: number, held: number) => {
    e.stopPropagation();
    const chosen = useMotion.getState().keys;
    drag.current = { x: e.clientX, chosen, about, held, copy: false, moved: false };
  };

  useEffect(() => {
    const move = (e: PointerEvent) => {
      const from = drag.current;
      if (!from) return;
      const { motion: m, scale: s, edit: to } = latest.current;
      const frames = s.frame(e.clientX) - s.frame(from.x);
      const by = useMotion.getState().snap ? Math.round(frames) : frames;
      if (!from.moved && Math.abs(e.clientX - from.x) < 3) return;
      from.moved = true;
      const seconds = by / m.framesPerSecond;
      if (from.about === null) {
        to.tryTracks(movedKeys(to.kept, from.chosen, seconds, from.copy));
        return;
      }
      const long = from.held - from.about;
      const factor = (long + seconds) / long;
      if (factor > 0.01) {
        const rate = useMotion.getState().snap ? m.framesPerSecond : null;
        to.tryTracks(stretchedKeys(to.kept, from.chosen, from.about, factor, rate));
      }
    };
    const up = () => {
      const from = drag.current;
      drag.current = null;
      if (!from?.moved) return;
      latest.current.edit.keepHeld(
        from.about !== null ? 'Stretch keys' : from.copy ? 'Copy keys' : 'Move keys',
      );
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', up);
    return () => {
      removeEventListener('pointermove', move);
      removeEventListener('pointerup', up);
    };
  }, []);

  return { take, stretch };
}
