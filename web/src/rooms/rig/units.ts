import type { Unit } from '../../api/document';
import type { Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';

export function shownUnit(unit: Unit): string {
  return unit === 'cd/m2' ? 'cd/m²' : unit === 'x' ? 'times' : unit;
}

/** Luminous efficacy of a lamp: 10 to 20 of a filament, 80 to 150 of LEDs. */
export const efficacyQuantity = withRange(
  { unit: 'lm/W', step: 1, digits: 1 },
  'brightness',
  'efficacy',
);

/** The number of a brightness in its unit. */
export function brightnessQuantity(unit: Unit): Quantity {
  return withRange(
    { unit: shownUnit(unit), step: 1, digits: 2, relative: true },
    'brightness',
    'value',
  );
}
