import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import type { DragEvent, ReactNode } from 'react';
import { api } from '../../api/client';
import type { Material } from '../../api/document';
import { toCode } from '../../controls/colourCode';
import { LatePicture } from '../../controls/LatePicture';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { dressed, MATERIAL_TYPE } from './dress';

/**
 * The shoot's own materials and those of the shelf; a card is dragged onto a piece in the picture,
 * or clicked to dress the chosen one.
 */
export function MaterialCards() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.piece);
  const shelfQuery = useQuery({
    queryKey: ['shelf'],
    queryFn: api.shelf,
    staleTime: Infinity,
  });
  const shelf = shelfQuery.data;
  const { pieces, materials } = desk.document;
  const piece = pieces.find((p) => p.id === chosen && p.shape);
  const click = (material: Material) => {
    if (!piece) return;
    void desk.keep(
      `Dress ${piece.name} in ${material.name}`,
      dressed(piece.id, material, desk.state.document),
    );
  };
  return (
    <Box sx={{ flex: 1, minWidth: 0, overflowY: 'auto', p: 1.5 }}>
      <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 1 }}>
        Drag a material onto a piece in the picture
        {piece ? `, or click to dress “${piece.name}”` : ''}.
      </Typography>
      <Cards name="Materials of this shoot">
        {materials.map((m) => (
          <Card key={m.id} material={m} onClick={() => click(m)}>
            <Box
              aria-hidden
              sx={{ width: 44, height: 44, borderRadius: 1.5, bgcolor: toCode(m.colour) }}
            />
          </Card>
        ))}
      </Cards>
      <Cards name="Shelf">
        <Fetched of={shelfQuery} what="The shelf" />
        {(shelf ?? []).map(({ material }) => (
          <Card key={material.id} material={material} onClick={() => click(material)}>
            <LatePicture src={api.ballUrl(material.id)} width={44} height={44} />
          </Card>
        ))}
      </Cards>
    </Box>
  );
}

function Cards({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={name} sx={{ mb: 2 }}>
      <Typography variant="caption" component="h3" sx={{ fontWeight: 600, mb: 0.5 }}>
        {name}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, 64px)', gap: 1 }}>
        {children}
      </Box>
    </Box>
  );
}

function Card(p: { material: Material; onClick: () => void; children: ReactNode }) {
  return (
    <Box
      component="button"
      type="button"
      draggable
      data-material={p.material.id}
      title={p.material.name}
      onClick={p.onClick}
      onDragStart={(e: DragEvent) =>
        e.dataTransfer.setData(MATERIAL_TYPE, JSON.stringify(p.material))
      }
      sx={{
        all: 'unset',
        // Unsetting all takes the attribute's effect away too.
        WebkitUserDrag: 'element',
        cursor: 'grab',
        fontSize: 10,
        lineHeight: 1.15,
        textAlign: 'center',
        display: 'flex',
        flexDirection: 'column',
        alignItems: 'center',
        gap: 0.5,
        p: 0.5,
        borderRadius: 1.5,
        '&:hover': { bgcolor: colours.control },
        '&:focus-visible': { outline: `2px solid ${colours.ember}` },
      }}
    >
      {p.children}
      <Box
        sx={{ width: '100%', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
      >
        {p.material.name}
      </Box>
    </Box>
  );
}
