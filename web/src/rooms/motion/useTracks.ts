import { useCallback, useState } from 'react';
import type { Operation, Track } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import type { Edited, KeyRef } from '../../motion/keysEdit';
import { useMotion } from './motionChoice';

export function writing(tracks: Track[]): Operation[] {
  return [{ op: 'replace', path: '/motion/tracks', value: tracks }];
}

/** The tracks as the hand has them, and the ways to change them. */
export function useTracks() {
  const desk = useDesk();
  const [held, setHeld] = useState<Edited | null>(null);
  const chosenKeys = useMotion((m) => m.keys);
  const kept = desk.state.document.motion.tracks;
  const tryTracks = useCallback(
    (edited: Edited) => {
      setHeld(edited);
      desk.tryOut(writing(edited.tracks), true);
    },
    [desk],
  );
  const keepHeld = useCallback(
    (label: string) => {
      if (!held) return;
      useMotion.setState({ keys: held.chosen });
      void desk.keep(label, writing(held.tracks));
      setHeld(null);
    },
    [desk, held],
  );
  const keep = useCallback(
    (label: string, tracks: Track[], keys?: KeyRef[]) => {
      if (keys) useMotion.setState({ keys });
      void desk.keep(label, writing(tracks));
    },
    [desk],
  );
  return {
    /** As kept, which changes are made of. */
    kept,
    /** As shown, while something is dragged too. */
    tracks: held?.tracks ?? kept,
    chosen: held?.chosen ?? chosenKeys,
    tryTracks,
    keepHeld,
    keep,
  };
}
