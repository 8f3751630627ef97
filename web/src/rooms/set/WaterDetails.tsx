import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/Delete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import type {
  FineRipples,
  Material,
  Operation,
  Piece,
  RippleRing,
  ShootDocument,
  WaterShape,
} from '../../api/document';
import { setField } from '../../api/patch';
import { Fetched } from '../../controls/Fetched';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainMenu } from '../../controls/PlainMenu';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { dressed } from './dress';
import { seed } from './newPiece';
import { PicturePicker } from './PicturePicker';

const fromNothing: Quantity = { ...quantities.length, least: 0 };
/** Heights of ripples are told to a tenth of a millimetre. */
const rise: Quantity = { ...fromNothing, digits: 4 };
const speed = withRange({ unit: '×', step: 0.05, digits: 2 }, 'shape.water', 'waveSpeed');
const seconds = withRange({ unit: 's', step: 0.1, digits: 2 }, 'shape.water', 'seconds');
const drift = withRange(
  { unit: 'm/s', others: { 'cm/s': 0.01 }, step: 0.01, digits: 3 },
  'fineRipples',
  'speed',
);
const strength = withRange(quantities.level, 'fineRipples', 'strength');

/** A ring as it begins: of finger-wide ripples from the middle. */
export const newRing: RippleRing = { x: 0, z: 0, height: 0.005, length: 0.05, reach: 0.4 };
/** Fine ripples as they begin. */
export const newFine: FineRipples = {
  picture: null,
  size: 0.4,
  strength: 0.5,
  headingDegrees: 0,
  speed: 0.03,
};

interface Props {
  piece: Piece;
  here: (d: ShootDocument) => Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

function waterOf(piece: Piece): WaterShape {
  return piece.shape as WaterShape;
}

/** How open water lies and moves. */
export function WaterDetails(p: Props) {
  const edit = `Water of ${p.piece.name}`;
  const number = (label: string, field: keyof WaterShape, quantity: Quantity) => (
    <NumberOf
      label={label}
      edit={edit}
      read={(d) => waterOf(p.here(d))[field] as number}
      write={(d, v) => p.set(d, `shape/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <>
      <Section title="Water">
        <FromShelf {...p} />
        <Row>
          {number('Width', 'width', quantities.length)}
          {number('Depth', 'depth', quantities.length)}
          {number('Deep (0: surface)', 'deep', fromNothing)}
        </Row>
        <Row>
          {number('Wave height', 'waveHeight', rise)}
          {number('Wave length', 'waveLength', quantities.length)}
          {number('Heading', 'headingDegrees', quantities.degrees)}
        </Row>
        <Row>
          {number('Choppiness', 'choppiness', quantities.share)}
          {number('Speed', 'waveSpeed', speed)}
          {number('Seed', 'seed', seed)}
        </Row>
        {number('Time', 'seconds', seconds)}
      </Section>
      <Rings {...p} />
      <Fine {...p} />
    </>
  );
}

/** Takes waves and what the water is made of from the shelf; size and time stay. */
export function shelved(
  piece: Piece,
  preset: { shape: WaterShape; material: Material },
  document: ShootDocument,
): Operation[] {
  const { width, depth, deep, seconds: time } = waterOf(piece);
  return [
    ...dressed(piece.id, preset.material, document),
    setField(document, 'pieces', piece.id, 'shape', {
      ...preset.shape,
      width,
      depth,
      deep,
      seconds: time,
    }),
  ];
}

function FromShelf({ piece }: Props) {
  const desk = useDesk();
  const query = useQuery({ queryKey: ['waters'], queryFn: api.waterShelf, staleTime: Infinity });
  return (
    <>
      <Fetched of={query} what="The waters" />
      <PlainMenu
        label="Waters"
        text="From the shelf"
        framed
        items={(query.data ?? []).map((preset) => ({
          text: preset.material.name,
          onClick: () =>
            void desk.keep(
              `${preset.material.name} for ${piece.name}`,
              shelved(piece, preset, desk.state.document),
            ),
        }))}
      />
    </>
  );
}

function Rings(p: Props) {
  const desk = useDesk();
  const list = waterOf(p.piece).ripples;
  const edit = `Ripples of ${p.piece.name}`;
  const keep = (value: RippleRing[]) =>
    void desk.keep(edit, p.set(desk.state.document, 'shape/ripples', value));
  const number = (i: number, label: string, field: keyof RippleRing, quantity: Quantity) => (
    <NumberOf
      label={label}
      name={`${label} of ripples ${i + 1}`}
      edit={edit}
      read={(d) => waterOf(p.here(d)).ripples[i]?.[field] ?? 0}
      write={(d, v) => p.set(d, `shape/ripples/${i}/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <Section title="Ripples from points">
      {list.map((_, i) => (
        <Box
          key={i}
          role="group"
          aria-label={`Ripples ${i + 1}`}
          sx={{ borderLeft: `2px solid ${colours.line}`, pl: 2, display: 'grid', gap: 1.5 }}
        >
          <Box sx={{ display: 'flex', alignItems: 'end', gap: 1 }}>
            <Box sx={{ flex: 1 }}>
              <Row>
                {number(i, 'X', 'x', quantities.metres)}
                {number(i, 'Z', 'z', quantities.metres)}
              </Row>
            </Box>
            <IconButton
              aria-label={`Take ripples ${i + 1} out`}
              onClick={() => keep(list.toSpliced(i, 1))}
            >
              <DeleteIcon fontSize="inherit" />
            </IconButton>
          </Box>
          <Row>
            {number(i, 'Height', 'height', rise)}
            {number(i, 'Length', 'length', quantities.length)}
            {number(i, 'Reach', 'reach', quantities.length)}
          </Row>
        </Box>
      ))}
      <Button
        color="inherit"
        startIcon={<AddIcon />}
        onClick={() => keep([...list, newRing])}
        sx={{ alignSelf: 'start' }}
      >
        Point
      </Button>
    </Section>
  );
}

function Fine(p: Props) {
  const desk = useDesk();
  const fine = waterOf(p.piece).fine;
  const edit = `Fine ripples of ${p.piece.name}`;
  const keep = (field: string, value: unknown) =>
    void desk.keep(edit, p.set(desk.state.document, field, value));
  const number = (label: string, field: keyof FineRipples, quantity: Quantity) => (
    <NumberOf
      label={label}
      name={`${label} of fine ripples`}
      edit={edit}
      read={(d) => (waterOf(p.here(d)).fine?.[field] as number | undefined) ?? 0}
      write={(d, v) => p.set(d, `shape/fine/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <Section title="Fine ripples">
      <SwitchOf
        label="By a normal map"
        on={fine !== null}
        onChange={(on) => keep('shape/fine', on ? newFine : null)}
      />
      {fine && (
        <>
          <PicturePicker
            label="Normal map"
            value={fine.picture}
            relief
            onPick={({ name }) => keep('shape/fine/picture', name)}
            onNone={() => keep('shape/fine/picture', null)}
          />
          {fine.picture === null && (
            <Typography variant="caption" color="text.secondary">
              Without a picture, ripples that are built in.
            </Typography>
          )}
          <Row>
            {number('Size', 'size', quantities.length)}
            {number('Strength', 'strength', strength)}
          </Row>
          <Row>
            {number('Heading', 'headingDegrees', quantities.degrees)}
            {number('Speed', 'speed', drift)}
          </Row>
        </>
      )}
    </Section>
  );
}
