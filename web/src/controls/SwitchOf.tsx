import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';

interface Props {
  label: string;
  /** Said to screen readers in place of the label. */
  name?: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

/** A small switch with its label. */
export function SwitchOf({ label, name, on, onChange }: Props) {
  return (
    <FormControlLabel
      control={
        <Switch
          size="small"
          checked={on}
          onChange={(e) => onChange(e.target.checked)}
          slotProps={{ input: { 'aria-label': name ?? label } }}
        />
      }
      label={label}
      sx={{ '& .MuiFormControlLabel-label': { fontSize: 12 } }}
    />
  );
}
