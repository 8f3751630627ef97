import { fields } from '../api/generated/fields';
import type { Quantity } from './quantity';

type Table = typeof fields;
/** A record of the document: light, material …; of several kinds as emitter.spot. */
export type RecordName = keyof Table;
/** A field of numbers of a record. */
export type NumberName<R extends RecordName> = {
  [F in keyof Table[R]]: Table[R][F] extends { max: number } ? F : never;
}[keyof Table[R]];
type Bare = Omit<Quantity, 'least' | 'most'>;

/** How a field of the document is shown and moved, within the range that the document says. */
export function withRange<R extends RecordName>(
  shown: Bare | Quantity,
  record: R,
  field: NumberName<R>,
): Quantity {
  const { min, max, orZero } = fields[record][field] as {
    min: number;
    max: number;
    orZero?: boolean;
  };
  return { ...shown, least: orZero ? Math.min(0, min) : min, most: max };
}
