import { NumberOf } from '../../controls/FieldOf';
import type { Quantity } from '../../controls/quantity';
import { useLook } from './useLook';

interface Props {
  label: string;
  name?: string;
  edit: string;
  /** Way to the number in the look, such as `balance/kelvin`. */
  field: string;
  quantity: Quantity;
}

function at(node: unknown, way: string[]): number {
  return way.reduce<unknown>(
    (now, key) => (now as Record<string, unknown> | null | undefined)?.[key],
    node,
  ) as number;
}

/** A number of the look. */
export function LookNumber({ label, name, edit, field, quantity }: Props) {
  const { here, set } = useLook();
  const way = field.split('/');
  return (
    <NumberOf
      label={label}
      name={name}
      edit={edit}
      read={(d) => at(here(d), way) ?? 0}
      write={(d, v) => set(d, field, v)}
      quantity={quantity}
    />
  );
}
