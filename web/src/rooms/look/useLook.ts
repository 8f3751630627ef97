import type { Look, Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';

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

export function useLook(): LookHand {
  const desk = useDesk();
  const shot = useChosenShot();
  const look = desk.document.looks.find((l) => l.id === shot.look) ?? desk.document.looks[0]!;
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
