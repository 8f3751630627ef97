import InputBase from '@mui/material/InputBase';
import { useState } from 'react';

interface Props {
  label: string;
  value: string;
  onKeep: (name: string) => void;
}

/** A name that is edited where it stands. */
export function NameField({ label, value, onKeep }: Props) {
  const [text, setText] = useState<string | null>(null);
  const take = () => {
    const name = text?.trim();
    if (name && name !== value) onKeep(name);
    setText(null);
  };
  return (
    <InputBase
      fullWidth
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') {
          // Else the key presses what gets the focus next.
          e.preventDefault();
          (e.target as HTMLElement).blur();
        }
        if (e.key === 'Escape') setText(null);
      }}
      slotProps={{ input: { 'aria-label': label, maxLength: 200 } }}
      sx={{ fontWeight: 600, fontSize: 14, '& input': { p: 0 } }}
    />
  );
}
