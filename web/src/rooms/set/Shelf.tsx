import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { useState } from 'react';
import { api } from '../../api/client';
import { LatePicture } from '../../controls/LatePicture';
import type { Material, Piece } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { dressed } from './dress';

/** The shelf of materials, each shown as a rendered ball; a click dresses the piece in it. */
export function Shelf({ piece }: { piece: Piece }) {
  const desk = useDesk();
  const [open, setOpen] = useState(false);
  const shelfQuery = useQuery({
    queryKey: ['shelf'],
    queryFn: api.shelf,
    staleTime: Infinity,
    enabled: open,
  });
  const shelf = shelfQuery.data;
  const groups = [...new Set(shelf?.map((s) => s.group))];

  const dress = (preset: Material) => {
    setOpen(false);
    void desk.keep(
      `Dress ${piece.name} in ${preset.name}`,
      dressed(piece.id, preset, desk.state.document),
    );
  };

  return (
    <>
      <Button
        color="inherit"
        variant="outlined"
        onClick={() => setOpen(true)}
        sx={{ borderColor: colours.line }}
      >
        From the shelf
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} maxWidth="md" fullWidth>
        <DialogTitle sx={{ fontSize: 16, pb: 2 }}>Dress “{piece.name}”</DialogTitle>
        <DialogContent>
          <Fetched of={shelfQuery} what="The shelf" />
          {groups.map((group) => (
            <Box key={group} component="section" aria-label={group} sx={{ mb: 4 }}>
              <Typography variant="subtitle2" sx={{ mb: 1.5 }}>
                {group}
              </Typography>
              <Box
                sx={{
                  display: 'grid',
                  gridTemplateColumns: 'repeat(auto-fill, 92px)',
                  gap: 2,
                }}
              >
                {shelf
                  ?.filter((s) => s.group === group)
                  .map(({ material }) => (
                    <Ball key={material.id} material={material} onClick={() => dress(material)} />
                  ))}
              </Box>
            </Box>
          ))}
        </DialogContent>
      </Dialog>
    </>
  );
}

function Ball({ material, onClick }: { material: Material; onClick: () => void }) {
  return (
    <Box
      component="button"
      type="button"
      onClick={onClick}
      sx={{
        all: 'unset',
        cursor: 'pointer',
        textAlign: 'center',
        fontSize: 11,
        lineHeight: 1.25,
        borderRadius: 1.5,
        '&:hover': { color: colours.ember },
        '&:focus-visible': { outline: `2px solid ${colours.ember}` },
      }}
    >
      <LatePicture src={api.ballUrl(material.id)} width={92} height={92} />
      <Box sx={{ mt: 1 }}>{material.name}</Box>
    </Box>
  );
}
