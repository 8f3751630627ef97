import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { Piece, ShootDocument, WaterShape } from '../../api/document';
import { atRest } from '../../motion/atRest';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { grey, newShapes } from './newPiece';
import { newFine, newRing, shelved, WaterDetails } from './WaterDetails';

const keep = vi.fn(() => Promise.resolve(true));
const shape = newShapes.water!.shape as unknown as WaterShape;
const drip = {
  shape: { ...shape, width: 1, depth: 1, deep: 0.5, waveHeight: 0.001, ripples: [newRing] },
  material: { ...grey, id: 'water-drip', name: 'Under the drip', transmission: 1 },
};

function shown(own: Partial<WaterShape> = {}) {
  vi.spyOn(api, 'waterShelf').mockResolvedValue([drip]);
  const piece = { id: 'pool', name: 'Pool', material: 'grey', shape: { ...shape, ...own } };
  const document = {
    motion: atRest,
    pieces: [piece],
    materials: [grey],
  } as unknown as ShootDocument;
  const desk = { state: { id: 's', document }, document, keep } as unknown as ShootDesk;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ShootContext.Provider value={desk}>
        <WaterDetails
          piece={document.pieces[0]!}
          here={(d) => d.pieces[0]!}
          set={(_, field, value) => [{ op: 'replace', path: `/pieces/0/${field}`, value }]}
        />
      </ShootContext.Provider>
    </QueryClientProvider>,
  );
  return document;
}

afterEach(() => {
  keep.mockClear();
  vi.restoreAllMocks();
});

test('has its numbers with their units', () => {
  shown({ seconds: 2.5 });
  expect(screen.getByLabelText('Wave height')).toHaveValue('0.01');
  expect(screen.getByLabelText('Choppiness')).toHaveValue('0.2');
  expect(screen.getByLabelText('Time')).toHaveValue('2.5');
  expect(screen.queryByLabelText('Height of ripples 1')).toBeNull();
});

test('a point of ripples is put in and taken out', async () => {
  shown();
  await userEvent.click(screen.getByRole('button', { name: 'Point' }));
  expect(keep).toHaveBeenCalledWith('Ripples of Pool', [
    { op: 'replace', path: '/pieces/0/shape/ripples', value: [newRing] },
  ]);
  shown({ ripples: [newRing] });
  expect(screen.getByLabelText('Length of ripples 1')).toHaveValue('0.05');
  await userEvent.click(screen.getByRole('button', { name: 'Take ripples 1 out' }));
  expect(keep).toHaveBeenLastCalledWith('Ripples of Pool', [
    { op: 'replace', path: '/pieces/0/shape/ripples', value: [] },
  ]);
});

test('fine ripples are switched on with a map that is built in', async () => {
  shown();
  await userEvent.click(screen.getByLabelText('By a normal map'));
  expect(keep).toHaveBeenCalledWith('Fine ripples of Pool', [
    { op: 'replace', path: '/pieces/0/shape/fine', value: newFine },
  ]);
  shown({ fine: newFine });
  expect(screen.getByText('Without a picture, ripples that are built in.')).toBeInTheDocument();
  expect(screen.getByLabelText('Speed of fine ripples')).toHaveValue('0.03');
});

test('a water of the shelf keeps size and time', async () => {
  const document = shown({ width: 3, seconds: 4 });
  const operations = shelved(document.pieces[0] as Piece, drip, document);
  expect(operations.at(-1)).toEqual({
    op: 'replace',
    path: '/pieces/0/shape',
    value: { ...drip.shape, width: 3, depth: shape.depth, deep: shape.deep, seconds: 4 },
  });
  expect(operations[0]).toMatchObject({ op: 'add', path: '/materials/-' });
  await userEvent.click(screen.getByRole('button', { name: 'Waters: From the shelf' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Under the drip' }));
  expect(keep).toHaveBeenCalledWith('Under the drip for Pool', operations);
});
