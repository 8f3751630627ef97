import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import ListItemIcon from '@mui/material/ListItemIcon';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { kindNames, LightMark } from './LightMark';
import { newLight, type NewKind } from './newLight';

const KINDS: NewKind[] = ['rectangle', 'sphere', 'point', 'dome'];

/** Adds a light of a kind, placed so that it lights what the camera looks at. */
export function AddLight() {
  const desk = useDesk();
  const shotId = useChoice((c) => c.shot);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);

  const add = async (kind: NewKind) => {
    setAnchor(null);
    const shots = desk.state.document.shots;
    const shot = shots.find((s) => s.id === shotId) ?? shots[0]!;
    const light = newLight(kind, desk.state.document, shot);
    const done = await desk.keep(`Add ${light.name}`, [
      { op: 'add', path: '/lights/-', value: light },
    ]);
    if (done) useChoice.setState({ light: light.id });
  };

  return (
    <>
      <Button
        variant="outlined"
        startIcon={<AddIcon />}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ px: 1, minWidth: 0 }}
      >
        Light
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {KINDS.map((kind) => (
          <MenuItem key={kind} onClick={() => void add(kind)}>
            <ListItemIcon>
              <LightMark kind={kind} size={18} />
            </ListItemIcon>
            {kindNames[kind]}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
