import ColorLensIcon from '@mui/icons-material/ColorLens';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { useState } from 'react';
import { api } from '../../api/client';
import type { Vector } from '../../api/document';
import { toCode } from '../../controls/colourCode';
import { ColourOf } from '../../controls/ColourOf';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import type { LightProps } from './props';

/** The filter of a light: a colour, or a gel of the shelf. */
export function Gels({ light, here, set }: LightProps) {
  const desk = useDesk();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const gelsQuery = useQuery({
    queryKey: ['gels'],
    queryFn: api.gels,
    staleTime: Infinity,
    enabled: anchor !== null,
  });
  const gels = gelsQuery.data;
  const take = (name: string, filter: Vector) => {
    setAnchor(null);
    void desk.keep(`${name} on ${light.name}`, set(desk.state.document, 'colour/filter', filter));
  };
  return (
    <>
      <ColourOf
        label="Filter"
        edit={`Filter of ${light.name}`}
        read={(d) => here(d).colour.filter}
        write={(d, v) => set(d, 'colour/filter', v)}
      />
      <Button
        color="inherit"
        variant="outlined"
        startIcon={<ColorLensIcon />}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ borderColor: colours.line }}
      >
        Gel …
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ paper: { sx: { maxHeight: 420 } } }}
      >
        <MenuItem onClick={() => take('No gel', [1, 1, 1])}>
          <Swatch colour={[1, 1, 1]} />
          No gel
        </MenuItem>
        <Fetched of={gelsQuery} what="The gels" />
        {(gels ?? []).map(({ name, filter }) => {
          const colour: Vector = [filter.r, filter.g, filter.b];
          const left = 0.2126 * filter.r + 0.7152 * filter.g + 0.0722 * filter.b;
          return (
            <MenuItem key={name} onClick={() => take(name, colour)}>
              <Swatch colour={colour} />
              {name}
              <Box component="span" sx={{ ml: 'auto', pl: 3, color: colours.quiet, fontSize: 11 }}>
                {Math.round(100 * left)} %
              </Box>
            </MenuItem>
          );
        })}
      </Menu>
    </>
  );
}

function Swatch({ colour }: { colour: Vector }) {
  return (
    <Box
      aria-hidden
      sx={{ width: 16, height: 16, mr: 2, borderRadius: 1, bgcolor: toCode(colour) }}
    />
  );
}
