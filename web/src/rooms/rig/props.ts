import type { Emitter, Light, Operation, ShootDocument } from '../../api/document';

/** What every part of a light's details gets. */
export interface LightProps {
  light: Light;
  here: (d: ShootDocument) => Light;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** An emitter of one kind. */
export type Of<K extends Emitter['kind']> = Extract<Emitter, { kind: K }>;
