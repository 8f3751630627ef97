import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import FormControlLabel from '@mui/material/FormControlLabel';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { NumberField } from '../controls/NumberField';
import { quantities } from '../controls/quantity';
import { useLive, type View } from '../live/store';
import { useChannel } from '../live/useShoot';

const KINDS: { kind: View['kind']; name: string; what: string }[] = [
  { kind: 'traced', name: 'Traced', what: 'with all its light' },
  { kind: 'clay', name: 'Clay', what: 'one grey under the same light' },
  { kind: 'stops', name: 'Stops', what: 'light as colours, one a stop' },
  { kind: 'clipped', name: 'Clipped', what: 'what is burnt or black' },
  { kind: 'lights', name: 'Lights', what: 'which light gives most where' },
  { kind: 'shaded', name: 'Shaded', what: 'forms and colours at once, to arrange' },
  { kind: 'unlit', name: 'Unlit', what: 'the colours alone' },
  { kind: 'mesh', name: 'Mesh', what: 'the triangles' },
  { kind: 'pieces', name: 'Pieces', what: 'a colour each' },
];

/** Chooses how the shoot is shown. */
export function ViewMenu() {
  const channel = useChannel();
  const view = useLive((s) => s.view);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const name = KINDS.find((k) => k.kind === view.kind)!.name;
  return (
    <>
      <Button
        color={view.kind === 'traced' ? 'inherit' : 'primary'}
        aria-label={`View: ${name}`}
        aria-haspopup="menu"
        endIcon={<ExpandMoreIcon />}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {name}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {KINDS.map((k) => (
          <MenuItem
            key={k.kind}
            selected={k.kind === view.kind}
            onClick={() => {
              if (k.kind !== 'clay') setAnchor(null);
              channel?.view({ ...view, kind: k.kind });
            }}
            sx={{ display: 'flex', justifyContent: 'space-between', gap: 4 }}
          >
            <span>{k.name}</span>
            <Box component="span" sx={{ color: 'text.secondary', fontSize: 11 }}>
              {k.what}
            </Box>
          </MenuItem>
        ))}
        {view.kind === 'clay' && [
          <Divider key="line" />,
          <Box key="clay" sx={{ px: 4, py: 1, display: 'grid', gap: 1 }}>
            <NumberField
              label="Reflectance of the clay"
              value={view.clay}
              start={0.5}
              quantity={quantities.share}
              onTry={(clay) => channel?.view({ ...useLive.getState().view, clay })}
              onKeep={() => undefined}
              onLeave={() => undefined}
            />
            <FormControlLabel
              control={
                <Switch
                  size="small"
                  checked={view.keepGlass}
                  onChange={(e) => channel?.view({ ...view, keepGlass: e.target.checked })}
                />
              }
              label="Keep glass"
            />
            <FormControlLabel
              control={
                <Switch
                  size="small"
                  checked={view.keepEmission}
                  onChange={(e) => channel?.view({ ...view, keepEmission: e.target.checked })}
                />
              }
              label="Keep emission"
            />
          </Box>,
        ]}
      </Menu>
    </>
  );
}
