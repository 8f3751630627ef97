import type { Meter } from '../../../api/document';
import { NumberField } from '../../../controls/NumberField';
import type { Quantity } from '../../../controls/quantity';
import { useDesk } from '../../../live/useShoot';
import { setMeter } from './useMeter';

interface Props<K extends keyof Meter> {
  label: string;
  name?: string;
  edit: string;
  part: K;
  value: number;
  quantity: Quantity;
  /** The part with another value. */
  write: (value: number) => Meter[K];
}

/** A number of what is measured, which no time changes. */
export function MeterNumber<K extends keyof Meter>(p: Props<K>) {
  const desk = useDesk();
  return (
    <NumberField
      label={p.label}
      name={p.name}
      value={p.value}
      quantity={p.quantity}
      onTry={(value) => desk.tryOut([setMeter(p.part, p.write(value))], true)}
      onKeep={() => void desk.keep(p.edit)}
      onLeave={() => desk.leave()}
    />
  );
}
