import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';

export interface Item {
  text: string;
  chosen?: boolean;
  onClick?: () => void;
  href?: string;
}

interface Props {
  label: string;
  text: string;
  icon?: ReactNode;
  items: Item[];
}

/** A button with a short list of things to do or choose. */
export function PlainMenu({ label, text, icon, items }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        color="inherit"
        aria-label={`${label}: ${text}`}
        aria-haspopup="menu"
        startIcon={icon}
        endIcon={<ExpandMoreIcon />}
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ maxWidth: 240, whiteSpace: 'nowrap' }}
      >
        {text}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {items.map((item) => (
          <MenuItem
            key={item.text}
            selected={item.chosen}
            {...(item.href ? { component: 'a', href: item.href, download: true } : {})}
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
