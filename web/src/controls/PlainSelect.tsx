import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Typography from '@mui/material/Typography';
import { colours } from '../theme/theme';

interface Props {
  label: string;
  value: string;
  options: { value: string; text: string }[];
  onChange: (value: string) => void;
}

/** One of several, in the look of the number fields. */
export function PlainSelect({ label, value, options, onChange }: Props) {
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="caption" color="text.secondary" noWrap component="div">
        {label}
      </Typography>
      <Select
        fullWidth
        value={value}
        onChange={(e) => onChange(e.target.value)}
        SelectDisplayProps={{ 'aria-label': label }}
        sx={{
          height: 28,
          fontSize: 12,
          bgcolor: colours.control,
          '& fieldset': { border: 'none' },
          '& .MuiSelect-select': { py: 0, pl: 1.5, pr: '22px !important' },
          '& .MuiSelect-icon': { right: 2 },
        }}
      >
        {options.map((o) => (
          <MenuItem key={o.value} value={o.value}>
            {o.text}
          </MenuItem>
        ))}
      </Select>
    </Box>
  );
}
