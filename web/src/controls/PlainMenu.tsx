import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';
import { colours } from '../theme/theme';

export interface Item {
  text: string;
  /** Set apart from what is above. */
  apart?: boolean;
  chosen?: boolean;
  onClick?: () => void;
}

interface Props {
  label: string;
  text: string;
  icon?: ReactNode;
  /** Stands over the items; may close the menu. */
  head?: (close: () => void) => ReactNode;
  items: Item[];
  /** With a frame, as wide as there is room. */
  framed?: boolean;
}

/** A button with a short list of things to do or choose. */
export function PlainMenu({ label, text, icon, head, items, framed }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        color="inherit"
        variant={framed ? 'outlined' : 'text'}
        aria-label={`${label}: ${text}`}
        aria-haspopup="menu"
        startIcon={icon}
        endIcon={<ExpandMoreIcon />}
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={framed ? { borderColor: colours.line } : { maxWidth: 240, whiteSpace: 'nowrap' }}
      >
        {text}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {head?.(() => setAnchor(null))}
        {items.map((item) => (
          <MenuItem
            key={item.text}
            selected={item.chosen}
            sx={item.apart ? { borderTop: `1px solid ${colours.line}` } : undefined}
            onClick={() => {
              setAnchor(null);
              item.onClick?.();
            }}
          >
            {item.text}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
