import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/Delete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import Switch from '@mui/material/Switch';
import type {
  Operation,
  Piece,
  Shape,
  ShootDocument,
  Corner,
  Opening,
  TubePoint,
} from '../../api/document';
import { NameField } from '../../controls/NameField';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { dimensionQuantity, dimensions } from './newPiece';
import { ProfilePad } from './ProfilePad';
import { WaterDetails } from './WaterDetails';

interface Props {
  piece: Piece;
  here: (d: ShootDocument) => Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

const fromNothing: Quantity = { ...quantities.length, least: 0 };
const NO_STRUTS = new Set(['model', 'struts', 'smooth', 'ground']);

/** The numbers that a set piece is built from. */
export function ShapeDetails(p: Props) {
  const desk = useDesk();
  const shape = p.piece.shape;
  if (!shape) return null;
  if (shape.kind === 'water') return <WaterDetails {...p} />;
  const wrapped = shape.kind === 'struts' || shape.kind === 'smooth';
  const inner = wrapped ? (shape.of as Shape) : shape;
  const under = wrapped ? 'shape/of' : 'shape';
  const keep = (field: string, value: unknown) =>
    void desk.keep(`Dimensions of ${p.piece.name}`, p.set(desk.state.document, field, value));
  const fields = (of: Shape, path: string) =>
    (dimensions[of.kind] ?? []).map(([field, label]) => (
      <NumberOf
        key={`${path}/${field}`}
        label={label}
        edit={`Dimensions of ${p.piece.name}`}
        read={(d) => at(p.here(d), path)?.[field] as number}
        write={(d, v) => p.set(d, `${path}/${field}`, v)}
        quantity={dimensionQuantity[field] ?? quantities.length}
      />
    ));
  return (
    <Section title="Dimensions">
      {inner.kind === 'text' && (
        <NameField
          label="Letters"
          value={inner.text as string}
          onKeep={(text) => keep(`${under}/text`, text)}
        />
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {fields(inner, under)}
        {inner !== shape && fields(shape, 'shape')}
      </Box>
      {inner.kind === 'lathe' && (
        <ProfilePad
          piece={p.piece}
          read={(d) => at(p.here(d), under)?.profile as Corner[]}
          write={(d, field, value) => p.set(d, `${under}/profile${field}`, value)}
          closed={inner.closed as boolean}
        />
      )}
      {(inner.kind === 'tube' || inner.kind === 'lathe') && (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={inner.closed as boolean}
              onChange={(e) => keep(`${under}/closed`, e.target.checked)}
            />
          }
          label="Closed to a ring"
        />
      )}
      {inner.kind === 'tube' && <Points {...p} under={under} />}
      {inner.kind === 'room' && <Openings {...p} under={under} />}
      {shape.kind !== 'struts' && (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={shape.kind === 'smooth'}
              onChange={(e) =>
                keep(
                  'shape',
                  e.target.checked
                    ? { kind: 'smooth', of: shape, creaseDegrees: 40, subdivisions: 0 }
                    : inner,
                )
              }
            />
          }
          label="Smooth by a crease angle"
        />
      )}
      {(!NO_STRUTS.has(shape.kind) || shape.kind === 'struts') && (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={shape.kind === 'struts'}
              onChange={(e) =>
                keep(
                  'shape',
                  e.target.checked ? { kind: 'struts', of: shape, radius: 0.004 } : inner,
                )
              }
            />
          }
          label="Struts along edges"
        />
      )}
    </Section>
  );
}

function at(piece: Piece, path: string): Shape | undefined {
  return path === 'shape'
    ? (piece.shape ?? undefined)
    : ((piece.shape as Shape | null)?.of as Shape | undefined);
}

/** The holes in a room's walls. */
function Openings(p: Props & { under: string }) {
  const desk = useDesk();
  const list = at(p.piece, p.under)?.openings as Opening[];
  const edit = `Openings of ${p.piece.name}`;
  const keep = (field: string, value: unknown) =>
    void desk.keep(edit, p.set(desk.state.document, `${p.under}/openings${field}`, value));
  const number = (i: number, label: string, field: keyof Opening, quantity: Quantity) => (
    <NumberOf
      label={label}
      name={`${label} of opening ${i + 1}`}
      edit={edit}
      read={(d) => (at(p.here(d), p.under)?.openings as Opening[])[i]?.[field] as number}
      write={(d, v) => p.set(d, `${p.under}/openings/${i}/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <>
      {list.map((opening, i) => (
        <Box
          key={i}
          role="group"
          aria-label={`Opening ${i + 1}`}
          sx={{ borderLeft: `2px solid ${colours.line}`, pl: 2, display: 'grid', gap: 1.5 }}
        >
          <Box sx={{ display: 'flex', alignItems: 'end', gap: 1 }}>
            <Box sx={{ flex: 1 }}>
              <PlainSelect
                label={`Opening ${i + 1} in the wall`}
                value={opening.wall}
                options={['ahead', 'right', 'behind', 'left'].map((w) => ({ value: w, text: w }))}
                onChange={(wall) => keep(`/${i}/wall`, wall)}
              />
            </Box>
            <IconButton
              aria-label={`Close opening ${i + 1}`}
              onClick={() => keep('', list.toSpliced(i, 1))}
            >
              <DeleteIcon fontSize="inherit" />
            </IconButton>
          </Box>
          <Row>
            {number(i, 'Across', 'across', quantities.metres)}
            {number(i, 'Sill', 'sill', fromNothing)}
          </Row>
          <Row>
            {number(i, 'Width', 'width', quantities.length)}
            {number(i, 'Height', 'height', quantities.length)}
          </Row>
        </Box>
      ))}
      <Button
        color="inherit"
        startIcon={<AddIcon />}
        onClick={() =>
          keep('', [...list, { wall: 'ahead', across: 0, sill: 0.8, width: 1, height: 1.4 }])
        }
      >
        Opening
      </Button>
    </>
  );
}

/** The points that a tube passes. */
function Points(p: Props & { under: string }) {
  const desk = useDesk();
  const list = at(p.piece, p.under)?.points as TubePoint[];
  const edit = `Points of ${p.piece.name}`;
  const keep = (value: TubePoint[]) =>
    void desk.keep(edit, p.set(desk.state.document, `${p.under}/points`, value));
  const more = () => {
    const [before, last] = [list.at(-2)!, list.at(-1)!];
    keep([
      ...list,
      { x: 2 * last.x - before.x, y: 2 * last.y - before.y, z: 2 * last.z - before.z },
    ]);
  };
  return (
    <>
      {list.map((_, i) => (
        <Box key={i} sx={{ display: 'flex', alignItems: 'end', gap: 1 }}>
          <Box sx={{ flex: 1 }}>
            <Row>
              {(['x', 'y', 'z'] as const).map((axis) => (
                <NumberOf
                  key={axis}
                  label={`${axis.toUpperCase()} ${i + 1}`}
                  edit={edit}
                  read={(d) => (at(p.here(d), p.under)?.points as TubePoint[])[i]?.[axis] ?? 0}
                  write={(d, v) => p.set(d, `${p.under}/points/${i}/${axis}`, v)}
                  quantity={quantities.metres}
                />
              ))}
            </Row>
          </Box>
          <IconButton
            aria-label={`Take point ${i + 1} out`}
            disabled={list.length < 4}
            onClick={() => keep(list.toSpliced(i, 1))}
          >
            <DeleteIcon fontSize="inherit" />
          </IconButton>
        </Box>
      ))}
      <Button color="inherit" startIcon={<AddIcon />} onClick={more}>
        Point
      </Button>
    </>
  );
}
