import VisibilityIcon from '@mui/icons-material/Visibility';
import VisibilityOffIcon from '@mui/icons-material/VisibilityOff';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Operation, Piece, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { NumberOf, Row, Section, VectorOf } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';

const SHAPES: Record<string, string> = {
  floor: 'Floor',
  sweep: 'Paper sweep',
  box: 'Box',
  sphere: 'Sphere',
  cylinder: 'Cylinder',
  torus: 'Torus',
  lathe: 'Lathe',
  rectangle: 'Rectangle',
  mesh: 'Mesh',
};

function css(colour: [number, number, number]): string {
  const code = (x: number) => Math.round(255 * Math.pow(x, 1 / 2.2));
  return `rgb(${colour.map(code).join(', ')})`;
}

/** Tray of the Set: the pieces as cards. */
export function SetTray() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.piece);
  const { pieces, materials } = desk.document;
  return (
    <Box
      role="listbox"
      aria-label="Pieces"
      sx={{
        height: '100%',
        overflowY: 'auto',
        p: 1.5,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(168px, 1fr))',
        gridAutoRows: 40,
        gap: 1,
      }}
    >
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
                {piece.shape ? (SHAPES[piece.shape.kind] ?? piece.shape.kind) : 'Group'}
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

function PieceDetails({ piece }: { piece: Piece }) {
  const desk = useDesk();
  const document = desk.state.document;
  const here = (d: ShootDocument) => d.pieces.find((p) => p.id === piece.id) ?? piece;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'pieces', piece.id, field, value),
  ];
  const shown = piece.shown;
  const users = document.pieces.filter((p) => p.material === piece.material).length;
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 3 }}>
        <NameField
          label="Name of the piece"
          value={piece.name}
          onKeep={(name) => void desk.keep(`Rename ${piece.name}`, set(document, 'name', name))}
        />
        <IconButton
          aria-label={shown ? 'Take out of the picture' : 'Put into the picture'}
          onClick={() =>
            void desk.keep(
              `${shown ? 'Hide' : 'Show'} ${piece.name}`,
              set(document, 'shown', !shown),
            )
          }
        >
          {shown ? <VisibilityIcon fontSize="inherit" /> : <VisibilityOffIcon fontSize="inherit" />}
        </IconButton>
      </Box>
      <Section title="Place">
        <VectorOf
          label="Stands at"
          edit={`Move ${piece.name}`}
          read={(d) => here(d).place}
          write={(d, v) => set(d, 'place', v)}
          quantity={quantities.metres}
        />
        <VectorOf
          label="Turned by"
          edit={`Turn ${piece.name}`}
          read={(d) => here(d).turnDegrees}
          write={(d, v) => set(d, 'turnDegrees', v)}
          quantity={quantities.degrees}
        />
      </Section>
      {piece.material && (
        <Section title="Material">
          <PlainSelect
            label={`Used by ${users} ${users === 1 ? 'piece' : 'pieces'}`}
            value={piece.material}
            options={document.materials.map((m) => ({ value: m.id, text: m.name }))}
            onChange={(id) =>
              void desk.keep(`Material of ${piece.name}`, set(document, 'material', id))
            }
          />
        </Section>
      )}
    </Box>
  );
}

function CameraDetails() {
  const shot = useChosenShot();
  const here = (d: ShootDocument) => d.shots.find((s) => s.id === shot.id) ?? shot;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'shots', shot.id, field, value),
  ];
  return (
    <Box key={shot.id}>
      <Typography sx={{ fontWeight: 600, fontSize: 14, mb: 3 }}>Camera of “{shot.name}”</Typography>
      <Section title="Lens">
        <Row>
          <NumberOf
            label="Focal length"
            edit="Focal length"
            read={(d) => here(d).focalLengthMm}
            write={(d, v) => set(d, 'focalLengthMm', v)}
            quantity={quantities.millimetres}
          />
          <NumberOf
            label="Aperture (0: all sharp)"
            edit="Aperture"
            read={(d) => here(d).fStop}
            write={(d, v) => set(d, 'fStop', v)}
            quantity={quantities.fStop}
          />
        </Row>
        <NumberOf
          label="Focus distance (0: the aim)"
          edit="Focus"
          read={(d) => here(d).focusDistance}
          write={(d, v) => set(d, 'focusDistance', v)}
          quantity={{ ...quantities.metres, least: 0 }}
        />
      </Section>
      <Section title="Place">
        <VectorOf
          label="Stands at"
          edit="Move the camera"
          read={(d) => here(d).place}
          write={(d, v) => set(d, 'place', v)}
          quantity={quantities.metres}
        />
        <VectorOf
          label="Aims at"
          edit="Aim the camera"
          read={(d) => here(d).aim}
          write={(d, v) => set(d, 'aim', v)}
          quantity={quantities.metres}
        />
      </Section>
    </Box>
  );
}
