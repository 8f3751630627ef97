import { useState } from 'react';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Operation } from '../../api/document';
import { AddMenu } from '../../controls/AddMenu';
import { SideTabs } from '../../controls/SideTabs';
import { chosenWith, useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { ImportModel } from './ImportModel';
import { CameraDetails } from './CameraDetails';
import { MaterialCards } from './MaterialCards';
import { grey, newPiece, newShapes, shapeNames } from './newPiece';
import { PieceDetails } from './PieceDetails';
import { ShotStrip } from './ShotStrip';

function css(colour: [number, number, number]): string {
  const code = (x: number) => Math.round(255 * Math.pow(x, 1 / 2.2));
  return `rgb(${colour.map(code).join(', ')})`;
}

/** Tray of the Set: the pieces and the materials as cards. */
export function SetTray() {
  const [shown, setShown] = useState<'pieces' | 'materials'>('pieces');
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <SideTabs
        name="Cards of the Set"
        tabs={[
          ['pieces', 'Pieces'],
          ['materials', 'Materials'],
        ]}
        shown={shown}
        onShow={setShown}
      />
      {shown === 'pieces' ? (
        <>
          <ShotStrip />
          <PieceCards />
        </>
      ) : (
        <MaterialCards />
      )}
      <Box
        role="group"
        aria-label="Build"
        sx={{
          width: 124,
          flex: 'none',
          borderLeft: `1px solid ${colours.line}`,
          p: 1.5,
          display: 'flex',
          flexDirection: 'column',
          gap: 1.5,
        }}
      >
        <AddPiece />
        <ImportModel />
      </Box>
    </Box>
  );
}

/** Builds a set piece and chooses it. */
function AddPiece() {
  const desk = useDesk();
  const shot = useChosenShot();
  const add = async (kind: string) => {
    const document = desk.state.document;
    const piece = newPiece(kind, document, shot);
    const dressed = piece.shape === null || document.materials.some((m) => m.id === grey.id);
    const first: Operation[] = dressed ? [] : [{ op: 'add', path: '/materials/-', value: grey }];
    const kept = desk.keep(`Build ${piece.name}`, [
      ...first,
      { op: 'add', path: '/pieces/-', value: piece },
    ]);
    await chosenWith(kept, { piece: piece.id });
  };
  return (
    <AddMenu
      text="Piece"
      items={Object.entries(newShapes).map(([kind, { name }]) => ({ kind, name }))}
      onAdd={(kind) => void add(kind)}
    />
  );
}

function PieceCards() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.piece);
  const { pieces, materials } = desk.document;
  return (
    <Box
      role="listbox"
      aria-label="Pieces"
      sx={{
        flex: 1,
        minWidth: 0,
        overflowY: 'auto',
        p: 1.5,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(168px, 1fr))',
        gridAutoRows: 40,
        gap: 1,
      }}
    >
      {pieces.length === 0 && (
        <Typography color="text.secondary" sx={{ gridColumn: '1 / -1', gridRow: 'span 3', p: 2 }}>
          Nothing stands here yet. Build a piece, or import a model (.glb, .gltf or .obj with its
          files as .zip).
        </Typography>
      )}
      {pieces.map((piece) => {
        const material = materials.find((m) => m.id === piece.material);
        return (
          <Box
            key={piece.id}
            role="option"
            aria-selected={piece.id === chosen}
            tabIndex={0}
            onClick={() => useChoice.setState({ piece: piece.id })}
            onKeyDown={(e) => e.key === 'Enter' && useChoice.setState({ piece: piece.id })}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 2,
              px: 2,
              cursor: 'pointer',
              borderRadius: 1.5,
              bgcolor: piece.id === chosen ? colours.control : colours.raised,
              border: `1px solid ${piece.id === chosen ? colours.ember : colours.line}`,
              opacity: piece.shown ? 1 : 0.5,
            }}
          >
            <Box
              aria-hidden
              sx={{
                width: 14,
                height: 14,
                borderRadius: 7,
                flex: 'none',
                border: `1px solid ${colours.line}`,
                bgcolor: material ? css(material.colour) : 'transparent',
              }}
            />
            <Box sx={{ minWidth: 0, flex: 1 }}>
              <Typography variant="caption" noWrap component="div">
                {piece.name}
              </Typography>
              <Typography variant="caption" noWrap component="div" color="text.secondary">
                {piece.shape ? (shapeNames[piece.shape.kind] ?? piece.shape.kind) : 'Group'}
                {piece.copies ? ` × ${piece.copies.count}` : ''}
              </Typography>
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

/** Details of the Set: the chosen piece, or else the camera of the shot. */
export function SetDetails() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.piece);
  const piece = desk.document.pieces.find((p) => p.id === chosen);
  return piece ? <PieceDetails key={piece.id} piece={piece} /> : <CameraDetails />;
}
