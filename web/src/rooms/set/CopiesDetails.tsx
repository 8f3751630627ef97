import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import type { Copies, Operation, Piece, ShootDocument, Vector } from '../../api/document';
import { NumberOf, Row, Section, VectorOf } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { seed } from './newPiece';

const count = withRange({ unit: '', step: 1, digits: 0 }, 'copies', 'count');
const times = withRange({ unit: '', step: 0.05, digits: 3 }, 'scatter', 'minScale');
const spread = withRange(quantities.metres, 'scatter', 'spread');
const stray = withRange(quantities.degrees, 'scatter', 'rotationDegrees');

interface Props {
  piece: Piece;
  here: (d: ShootDocument) => Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** Copies of a piece in a row or a ring, and how they stray. */
export function CopiesDetails({ piece, here, set }: Props) {
  const desk = useDesk();
  const edit = `Copies of ${piece.name}`;
  const keep = (value: Copies | null) =>
    void desk.keep(edit, set(desk.state.document, 'copies', value));
  const copies = piece.copies;
  if (!copies) {
    return (
      <Section title="Copies">
        <Button
          color="inherit"
          startIcon={<AddIcon />}
          onClick={() =>
            keep({ count: 5, step: [0.3, 0, 0], rotationDegrees: [0, 0, 0], scatter: null })
          }
        >
          In a row or a ring
        </Button>
        <Button
          color="inherit"
          startIcon={<AddIcon />}
          onClick={() =>
            keep({
              count: 20,
              step: [0, 0, 0],
              rotationDegrees: [0, 0, 0],
              scatter: {
                seed: 1,
                spread: [1.5, 0, 1.5],
                rotationDegrees: [0, 180, 0],
                minScale: 0.8,
                maxScale: 1.2,
              },
            })
          }
        >
          Scattered
        </Button>
      </Section>
    );
  }
  const scatter = copies.scatter;
  const number = (
    label: string,
    read: (c: NonNullable<Copies['scatter']>) => number,
    field: string,
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      edit={edit}
      read={(d) => read(here(d).copies?.scatter ?? scatter!)}
      write={(d, v) => set(d, `copies/scatter/${field}`, v)}
      quantity={quantity}
    />
  );
  const vector = (
    label: string,
    read: (c: Copies) => Vector,
    field: string,
    quantity: Quantity,
  ) => (
    <VectorOf
      label={label}
      edit={edit}
      read={(d) => read(here(d).copies ?? copies)}
      write={(d, v) => set(d, `copies/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <Section title="Copies">
      <NumberOf
        label="How many"
        edit={edit}
        read={(d) => here(d).copies?.count ?? 1}
        write={(d, v) => set(d, 'copies/count', Math.round(v))}
        quantity={count}
      />
      {vector('Step', (c) => c.step, 'step', quantities.metres)}
      {vector('Turn a step', (c) => c.rotationDegrees, 'rotationDegrees', {
        ...quantities.degrees,
        least: -360,
        most: 360,
      })}
      {scatter && (
        <>
          {vector('Spread over', (c) => c.scatter?.spread ?? [0, 0, 0], 'scatter/spread', spread)}
          {vector(
            'Turned either way by',
            (c) => c.scatter?.rotationDegrees ?? [0, 0, 0],
            'scatter/rotationDegrees',
            stray,
          )}
          <Row>
            {number('Smallest', (s) => s.minScale, 'minScale', {
              ...times,
              most: scatter.maxScale,
            })}
            {number('Largest', (s) => s.maxScale, 'maxScale', {
              ...times,
              least: scatter.minScale,
            })}
            {number('Seed', (s) => s.seed, 'seed', seed)}
          </Row>
        </>
      )}
      <Row>
        {scatter ? (
          <Button color="inherit" onClick={() => keep({ ...copies, scatter: null })}>
            In order
          </Button>
        ) : (
          <Button
            color="inherit"
            onClick={() =>
              keep({
                ...copies,
                scatter: {
                  seed: 1,
                  spread: [0.1, 0, 0.1],
                  rotationDegrees: [0, 20, 0],
                  minScale: 0.9,
                  maxScale: 1.1,
                },
              })
            }
          >
            Let them stray
          </Button>
        )}
        <Button color="inherit" onClick={() => keep(null)}>
          Only one
        </Button>
      </Row>
    </Section>
  );
}
