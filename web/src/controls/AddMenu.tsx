import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import ListItemIcon from '@mui/material/ListItemIcon';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';

interface Props<K extends string> {
  text: string;
  items: { kind: K; name: string; mark?: ReactNode }[];
  onAdd: (kind: K) => void;
}

/** A button that adds one of several kinds of thing. */
export function AddMenu<K extends string>({ text, items, onAdd }: Props<K>) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        variant="outlined"
        startIcon={<AddIcon />}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ px: 1, minWidth: 0 }}
      >
        {text}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {items.map(({ kind, name, mark }) => (
          <MenuItem
            key={kind}
            onClick={() => {
              setAnchor(null);
              onAdd(kind);
            }}
          >
            {mark && <ListItemIcon>{mark}</ListItemIcon>}
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
