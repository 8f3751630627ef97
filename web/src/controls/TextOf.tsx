import Box from '@mui/material/Box';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { colours } from '../theme/theme';

interface Props {
  label: string;
  value: string;
  placeholder?: string;
  onChange: (value: string) => void;
}

/** A line of text in the look of the number fields. */
export function TextOf({ label, value, placeholder, onChange }: Props) {
  return (
    <Box sx={{ minWidth: 0, mt: 1 }}>
      <Typography variant="caption" color="text.secondary" noWrap component="div">
        {label}
      </Typography>
      <InputBase
        fullWidth
        value={value}
        placeholder={placeholder}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
        inputProps={{ 'aria-label': label, spellCheck: false }}
        sx={{ height: 28, px: 1.5, fontSize: 12, bgcolor: colours.control, borderRadius: 1.5 }}
      />
    </Box>
  );
}
