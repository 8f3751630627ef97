import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { NumberField } from '../../controls/NumberField';
import type { Quantity } from '../../controls/quantity';

/** A number of the order, which is nobody's but the order's until it is sent. */
export function Amount(p: {
  label: string;
  value: number;
  quantity: Quantity;
  onChange: (v: number) => void;
}) {
  return (
    <NumberField
      label={p.label}
      value={p.value}
      quantity={p.quantity}
      onTry={p.onChange}
      onKeep={() => undefined}
      onLeave={() => undefined}
    />
  );
}

/** A box of the order to tick. */
export function Check(p: { label: string; on: boolean; onChange: () => void }) {
  return (
    <FormControlLabel
      control={<Checkbox size="small" checked={p.on} onChange={p.onChange} sx={{ p: 0.5 }} />}
      label={p.label}
      sx={{ mr: 0, '& .MuiFormControlLabel-label': { fontSize: 12 } }}
    />
  );
}
