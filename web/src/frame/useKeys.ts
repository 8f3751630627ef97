import { useEffect } from 'react';
import { setField } from '../api/patch';
import { detent } from '../desk/fader';
import type { ShootDesk } from '../live/useShoot';
import { plain } from '../rooms/look/plain';
import { useChoice } from './choice';
import { typing } from './typing';

/** Keys of the desk: [ and ] a third of a stop (shift a whole), M mutes, S soloes, O held the other way round, undo and redo. */
export function useKeys(desk: ShootDesk | null) {
  useEffect(() => {
    if (!desk) return;
    const onKey = (e: KeyboardEvent) => {
      if (typing()) return;
      if (e.ctrlKey || e.metaKey) {
        if (e.key.toLowerCase() !== 'z') return;
        e.preventDefault();
        if (e.shiftKey) desk.redo();
        else desk.undo();
        return;
      }
      const light = desk.document.lights.find((l) => l.id === useChoice.getState().light);
      if (!light) return;
      const set = (field: string, value: unknown) =>
        setField(desk.state.document, 'lights', light.id, field, value);
      const down = e.code === 'BracketLeft';
      if (down || e.code === 'BracketRight') {
        const by = (down ? -1 : 1) * (e.shiftKey ? 1 : 1 / 3);
        const next = detent(light.levelStops + by);
        desk.tryOut([set('levelStops', next)]);
        void desk.keep(`Level of ${light.name}`);
      } else if (e.key.toLowerCase() === 'm') {
        void desk.keep(`${light.muted ? 'Unmute' : 'Mute'} ${light.name}`, [
          set('muted', !light.muted),
        ]);
      } else if (e.key.toLowerCase() === 's') {
        void desk.keep(light.solo ? `Unsolo ${light.name}` : `Solo ${light.name}`, [
          set('solo', !light.solo),
        ]);
      }
    };
    // Held, the picture is as it is without the chosen light, or without the look.
    const onHold = (e: KeyboardEvent) => {
      if (typing()) return;
      if (e.key.toLowerCase() !== 'o' || e.repeat || e.ctrlKey || e.metaKey) return;
      const choice = useChoice.getState();
      if (choice.room === 'look') {
        const { shots, looks } = desk.state.document;
        const shot = shots.find((s) => s.id === choice.shot) ?? shots[0]!;
        const index = looks.findIndex((l) => l.id === shot.look);
        desk.tryOut([{ op: 'replace', path: `/looks/${index}`, value: plain(looks[index]!) }]);
        return;
      }
      const light = desk.document.lights.find((l) => l.id === choice.light);
      if (light) {
        desk.tryOut([setField(desk.state.document, 'lights', light.id, 'muted', !light.muted)]);
      }
    };
    const onLoose = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() === 'o') desk.leave();
    };
    addEventListener('keydown', onKey);
    addEventListener('keydown', onHold);
    addEventListener('keyup', onLoose);
    return () => {
      removeEventListener('keydown', onKey);
      removeEventListener('keydown', onHold);
      removeEventListener('keyup', onLoose);
    };
  }, [desk]);
}
