import AddIcon from '@mui/icons-material/Add';
import ImageOutlinedIcon from '@mui/icons-material/ImageOutlined';
import UploadFileIcon from '@mui/icons-material/UploadFile';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListItemIcon from '@mui/material/ListItemIcon';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { useState } from 'react';
import { api, type Pattern } from '../../api/client';
import { isPicture, PICTURE_FILES } from '../../api/pictureFiles';
import { noted, say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';

/** A picture that was chosen, and how many metres it is wide where that is known. */
export interface Picked {
  name: string;
  metres?: number;
}

interface Props {
  label: string;
  /** Name of the picture there is; without one the button adds one. */
  value: string | null;
  /** Heights or numbers are wanted, so that these patterns come first. */
  relief: boolean;
  onPick: (picked: Picked) => void;
  /** Takes the picture away, where there need be none. */
  onNone?: () => void;
}

/** Chooses a picture: one of the shoot's, one from the shelf, or a file. */
export function PicturePicker({ label, value, relief, onPick, onNone }: Props) {
  const desk = useDesk();
  const client = useQueryClient();
  const id = desk.state.id;
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const open = anchor !== null;
  const namesQuery = useQuery({
    queryKey: ['assets', id],
    queryFn: () => api.assets(id),
    enabled: open,
  });
  const names = namesQuery.data;
  const patternsQuery = useQuery({
    queryKey: ['picture-shelf'],
    queryFn: api.pictureShelf,
    staleTime: Infinity,
    enabled: open,
  });
  const patterns = patternsQuery.data;
  const own = (names ?? []).filter((n) => isPicture(n));
  const shelf = [...(patterns ?? [])].sort(
    (a, b) => Number(b.relief === relief) - Number(a.relief === relief),
  );

  const pick = async (find: () => Promise<Picked>) => {
    setAnchor(null);
    try {
      const picked = await find();
      await client.invalidateQueries({ queryKey: ['assets', id] });
      onPick(picked);
    } catch (error) {
      say(error);
    }
  };
  const take = async (pattern: Pattern) => ({
    name: (await api.takePattern(id, pattern.id)).name,
    metres: pattern.metres,
  });

  return (
    <>
      <Button
        color="inherit"
        variant="outlined"
        startIcon={value ? <ImageOutlinedIcon /> : <AddIcon />}
        aria-label={value ? `${label}: ${value}` : `Add a picture: ${label}`}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ borderColor: colours.line, justifyContent: 'flex-start', minWidth: 0, px: 1.5 }}
      >
        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
          {value ?? label}
        </Box>
      </Button>
      <Menu
        open={open}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ paper: { sx: { maxHeight: 420 } } }}
      >
        <MenuItem component="label">
          <ListItemIcon>
            <UploadFileIcon fontSize="small" />
          </ListItemIcon>
          From a file …
          <input
            type="file"
            hidden
            accept={PICTURE_FILES}
            aria-label={`A file for ${label}`}
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void pick(() => noted(api.addAsset(id, file)));
            }}
          />
        </MenuItem>
        {onNone && value && (
          <MenuItem
            onClick={() => {
              setAnchor(null);
              onNone();
            }}
          >
            No picture
          </MenuItem>
        )}
        {own.length > 0 && <Divider />}
        <Fetched of={namesQuery} what="The pictures of the shoot" />
        <Fetched of={patternsQuery} what="The shelf" />
        {own.map((name) => (
          <MenuItem key={name} selected={name === value} onClick={() => onOwn(name)}>
            {name}
          </MenuItem>
        ))}
        <Divider />
        {shelf.map((pattern) => (
          <MenuItem key={pattern.id} onClick={() => void pick(() => take(pattern))}>
            <ListItemIcon>
              <Box
                component="img"
                alt=""
                src={api.patternUrl(pattern.id)}
                sx={{ width: 28, height: 28, borderRadius: 1 }}
              />
            </ListItemIcon>
            {pattern.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );

  function onOwn(name: string) {
    setAnchor(null);
    onPick({ name });
  }
}
