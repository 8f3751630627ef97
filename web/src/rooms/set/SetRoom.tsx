import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteIcon from '@mui/icons-material/Delete';
import VerticalAlignBottomIcon from '@mui/icons-material/VerticalAlignBottom';
import VisibilityIcon from '@mui/icons-material/Visibility';
import VisibilityOffIcon from '@mui/icons-material/VisibilityOff';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Operation, Piece, ShootDocument } from '../../api/document';
import { api } from '../../api/client';
import { setField } from '../../api/patch';
import { AddMenu } from '../../controls/AddMenu';
import { NumberOf, Row, Section, VectorOf } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { quantities, type Quantity } from '../../controls/quantity';
import { freeId } from '../../desk/newLight';
import { useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { BringIn } from './BringIn';
import { MaterialDetails } from './MaterialDetails';
import { dimensions, grey, newPiece, newShapes, withAllIn } from './newPiece';

const factor: Quantity = { unit: '', least: -1000, most: 1000, step: 0.01, digits: 3 };
const fromNothing: Quantity = { ...quantities.length, least: 0 };

const SHAPES: Record<string, string> = {
  floor: 'Floor',
  sweep: 'Paper sweep',
  box: 'Box',
  sphere: 'Sphere',
  cylinder: 'Cylinder',
  cone: 'Cone',
  torus: 'Torus',
  lathe: 'Lathe',
  rectangle: 'Card',
  mesh: 'Mesh',
  model: 'Model',
};

function css(colour: [number, number, number]): string {
  const code = (x: number) => Math.round(255 * Math.pow(x, 1 / 2.2));
  return `rgb(${colour.map(code).join(', ')})`;
}

/** Tray of the Set: the pieces as cards. */
export function SetTray() {
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <PieceCards />
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
        <BringIn />
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
    const first: Operation[] =
      document.materials.length === 0 ? [{ op: 'add', path: '/materials/-', value: grey }] : [];
    const done = await desk.keep(`Build ${piece.name}`, [
      ...first,
      { op: 'add', path: '/pieces/-', value: piece },
    ]);
    if (done) useChoice.setState({ piece: piece.id });
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
  const remove = () => {
    const gone = withAllIn(piece.id, document.pieces);
    const operations: Operation[] = document.pieces
      .map((p, i) => ({ op: 'remove' as const, path: `/pieces/${i}`, gone: gone.has(p.id) }))
      .filter((o) => o.gone)
      .reverse()
      .map(({ op, path }) => ({ op, path }));
    void desk.keep(`Delete ${piece.name}`, operations);
    useChoice.setState({ piece: null });
  };
  const duplicate = async () => {
    const id = freeId(piece.id, document.pieces);
    const index = document.pieces.findIndex((p) => p.id === piece.id);
    const copy = { ...here(document), id, name: `${piece.name} copy` };
    const done = await desk.keep(`Duplicate ${piece.name}`, [
      { op: 'add', path: `/pieces/${index + 1}`, value: copy },
    ]);
    if (done) useChoice.setState({ piece: id });
  };
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
        {piece.shape && (
          <IconButton aria-label="Duplicate this piece" onClick={() => void duplicate()}>
            <ContentCopyIcon fontSize="inherit" />
          </IconButton>
        )}
        <IconButton aria-label="Delete this piece" onClick={remove}>
          <DeleteIcon fontSize="inherit" />
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
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<VerticalAlignBottomIcon />}
          onClick={() =>
            void desk.run((revision) => api.setDown(desk.state.id, revision, piece.id))
          }
          sx={{ borderColor: colours.line }}
        >
          Set down
        </Button>
        <VectorOf
          label="Turned by"
          edit={`Turn ${piece.name}`}
          read={(d) => here(d).turnDegrees}
          write={(d, v) => set(d, 'turnDegrees', v)}
          quantity={quantities.degrees}
        />
        <VectorOf
          label="Times its size"
          edit={`Size of ${piece.name}`}
          read={(d) => here(d).size}
          write={(d, v) => set(d, 'size', v)}
          quantity={factor}
        />
      </Section>
      <ShapeDetails piece={piece} here={here} set={set} />
      {piece.material && <MaterialDetails piece={piece} />}
    </Box>
  );
}

/** The numbers that a set piece is built from. */
function ShapeDetails(p: {
  piece: Piece;
  here: (d: ShootDocument) => Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}) {
  const fields = dimensions[p.piece.shape?.kind ?? ''];
  if (!fields) return null;
  return (
    <Section title="Dimensions">
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {fields.map(([field, label]) => (
          <NumberOf
            key={field}
            label={label}
            edit={`Dimensions of ${p.piece.name}`}
            read={(d) => p.here(d).shape?.[field] as number}
            write={(d, v) => p.set(d, `shape/${field}`, v)}
            quantity={field === 'rounding' || field === 'top' ? fromNothing : quantities.length}
          />
        ))}
      </Box>
    </Section>
  );
}

function CameraDetails() {
  const desk = useDesk();
  const shot = useChosenShot();
  const here = (d: ShootDocument) => d.shots.find((s) => s.id === shot.id) ?? shot;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'shots', shot.id, field, value),
  ];
  return (
    <Box key={shot.id}>
      <Box sx={{ mb: 3 }}>
        <NameField
          label="Name of the shot"
          value={shot.name}
          onKeep={(name) =>
            void desk.keep(`Rename ${shot.name}`, set(desk.state.document, 'name', name))
          }
        />
        <Typography variant="caption" color="text.secondary">
          Camera
        </Typography>
      </Box>
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
