import type { Look, Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk, useTried } from '../../live/useShoot';

/** The look that the shown shot wears, and ways to change it. */
export interface LookHand {
  look: Look;
  /** The same look of another state of the shoot. */
  here: (document: ShootDocument) => Look;
  /** Operations that set a field, such as `balance/kelvin`. */
  set: (document: ShootDocument, field: string, value: unknown) => Operation[];
  /** Sets a field as one edit. */
  keep: (edit: string, field: string, value: unknown) => void;
}

/** @param atOnce whether the look follows the hand without delay */
export function useLook(atOnce = false): LookHand {
  const desk = useDesk();
  const shot = useChosenShot();
  const { looks } = useTried(atOnce);
  const look = looks.find((l) => l.id === shot.look) ?? looks[0]!;
  const set = (d: ShootDocument, field: string, value: unknown) => [
    setField(d, 'looks', look.id, field, value),
  ];
  return {
    look,
    here: (d) => d.looks.find((l) => l.id === look.id) ?? look,
    set,
    keep: (edit, field, value) => void desk.keep(edit, set(desk.state.document, field, value)),
  };
}
