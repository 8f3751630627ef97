import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteIcon from '@mui/icons-material/Delete';
import FlipIcon from '@mui/icons-material/Flip';
import VerticalAlignBottomIcon from '@mui/icons-material/VerticalAlignBottom';
import VisibilityIcon from '@mui/icons-material/Visibility';
import VisibilityOffIcon from '@mui/icons-material/VisibilityOff';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { api } from '../../api/client';
import type { Operation, Piece, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { Section, VectorOf } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { freeId } from '../../desk/newLight';
import { chosenWith, useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { after, composed, decomposed, inverse, parentFrame } from '../../picture/frame';
import { colours } from '../../theme/theme';
import { CopiesDetails } from './CopiesDetails';
import { MaterialDetails } from './MaterialDetails';
import { mirrored } from './mirror';
import { withAllIn } from './newPiece';
import { withoutLinks } from '../rig/without';
import { ShapeDetails } from './ShapeDetails';
import { VisibilityDetails } from './VisibilityDetails';
import { TrueSize } from './TrueSize';

/** What no id can be. */
const FREE = ' ';

const factor = withRange({ unit: '', step: 0.01, digits: 3 }, 'piece', 'scale');

/** All of a piece: its name, where it stands, what it is built from, and its material. */
export function PieceDetails({ piece }: { piece: Piece }) {
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
    void desk.keep(`Delete ${piece.name}`, [...withoutLinks(gone, document), ...operations]);
    useChoice.setState({ piece: null });
  };
  const mirror = async () => {
    const copies = mirrored(piece.id, document);
    const kept = desk.keep(
      `Mirror ${piece.name}`,
      copies.map((value) => ({ op: 'add' as const, path: '/pieces/-', value })),
    );
    await chosenWith(kept, { piece: copies[0]!.id });
  };
  const stands = (parent: string | null) => {
    const pieces = document.pieces;
    const world = after(
      parentFrame(pieces, piece.parent),
      composed(piece.position, piece.rotationDegrees, piece.scale),
    );
    const { position, rotationDegrees, scale } = decomposed(
      after(inverse(parentFrame(pieces, parent)), world),
    );
    void desk.keep(`Parent of ${piece.name}`, [
      ...set(document, 'parent', parent),
      ...set(document, 'position', position),
      ...set(document, 'rotationDegrees', rotationDegrees),
      ...set(document, 'scale', scale),
    ]);
  };
  const within = withAllIn(piece.id, document.pieces);
  const duplicate = async () => {
    const id = freeId(piece.id, document.pieces);
    const index = document.pieces.findIndex((p) => p.id === piece.id);
    const copy = { ...here(document), id, name: `${piece.name} copy` };
    const kept = desk.keep(`Duplicate ${piece.name}`, [
      { op: 'add', path: `/pieces/${index + 1}`, value: copy },
    ]);
    await chosenWith(kept, { piece: id });
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
          aria-label={shown ? 'Hide' : 'Show'}
          onClick={() =>
            void desk.keep(
              `${shown ? 'Hide' : 'Show'} ${piece.name}`,
              set(document, 'shown', !shown),
            )
          }
        >
          {shown ? <VisibilityIcon fontSize="inherit" /> : <VisibilityOffIcon fontSize="inherit" />}
        </IconButton>
        <IconButton aria-label="Mirror a copy" onClick={() => void mirror()}>
          <FlipIcon fontSize="inherit" />
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
          label="Position"
          edit={`Move ${piece.name}`}
          read={(d) => here(d).position}
          write={(d, v) => set(d, 'position', v)}
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
          label="Rotation"
          edit={`Turn ${piece.name}`}
          read={(d) => here(d).rotationDegrees}
          write={(d, v) => set(d, 'rotationDegrees', v)}
          quantity={quantities.degrees}
        />
        <VectorOf
          label="Scale"
          edit={`Size of ${piece.name}`}
          read={(d) => here(d).scale}
          write={(d, v) => set(d, 'scale', v)}
          quantity={factor}
        />
      </Section>
      <Section title="Parent">
        <PlainSelect
          label="Moves with"
          value={piece.parent ?? FREE}
          options={[
            { value: FREE, text: 'none' },
            ...document.pieces
              .filter((p) => !within.has(p.id))
              .map((p) => ({ value: p.id, text: p.name })),
          ]}
          onChange={(id) => stands(id === FREE ? null : id)}
        />
      </Section>
      <TrueSize piece={piece} />
      <ShapeDetails piece={piece} here={here} set={set} />
      <CopiesDetails piece={piece} here={here} set={set} />
      {piece.shape && <VisibilityDetails piece={piece} set={set} />}
      {piece.material && <MaterialDetails piece={piece} />}
    </Box>
  );
}
