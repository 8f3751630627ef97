import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../../api/client';
import type { Matched, Proof, ShootDocument } from '../../../api/document';
import { ShootContext, type ShootDesk } from '../../../live/useShoot';
import { useProofChoice } from '../useProofs';
import { PairMarks } from './PairMarks';
import { ReferenceMatch } from './ReferenceMatch';
import { addPair, placePair, removePair, sizePairs, usePairs } from './usePairs';

vi.mock('notistack', () => ({ enqueueSnackbar: vi.fn() }));

const file = new File(['x'], 'dusk.jpg', { type: 'image/jpeg' });
const keep = vi.fn(() => Promise.resolve(true));
const operations = [{ op: 'replace', path: '/lights/1/emitter/rotationDegrees', value: 128 }];
const matched = {
  match: {
    moves: [{ place: 'lights/key/levelStops', before: 0, after: 1, colour: null }],
    before: 0.9,
    after: 0.25,
  },
  turn: { light: 'harbour', before: 40, after: 128 },
  operations,
} as unknown as Matched;

beforeEach(() => {
  useProofChoice.setState({ referenceFile: file });
  const document = {
    lights: [
      { id: 'key', name: 'Key', emitter: { kind: 'rectangle' } },
      { id: 'harbour', name: 'Harbour', emitter: { kind: 'environment' } },
    ],
    banks: [],
  } as unknown as ShootDocument;
  const desk = {
    state: { document, id: 'a', revision: 3 },
    document,
    tryOut: vi.fn(),
    leave: vi.fn(),
    keep,
  };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ShootContext.Provider value={desk as unknown as ShootDesk}>
        <ReferenceMatch />
        <PairMarks side="picture" aspect={null} />
        <PairMarks side="reference" aspect={1.5} />
      </ShootContext.Provider>
    </QueryClientProvider>,
  );
});

afterEach(() => {
  vi.restoreAllMocks();
  keep.mockClear();
  usePairs.setState(usePairs.getInitialState(), true);
  useProofChoice.setState(useProofChoice.getInitialState(), true);
});

async function choose(label: string, option: string) {
  await userEvent.click(screen.getByRole('combobox', { name: label }));
  await userEvent.click(screen.getByRole('option', { name: option }));
}

test('regions are paired by arrow keys and matched', async () => {
  await choose('Match by', 'Paired regions');
  expect(useProofChoice.getState().mode).toBe('beside');
  const pair = screen.getByRole('group', { name: 'Pair 1' });
  expect(pair).toHaveTextContent('1: 50 %, 50 % ↔ 50 %, 50 %');
  const inPicture = screen.getByRole('button', { name: 'Region 1 in the picture' });
  inPicture.focus();
  await userEvent.keyboard('{ArrowRight}{ArrowRight}{ArrowUp}');
  screen.getByRole('button', { name: 'Region 1 in the reference' }).focus();
  await userEvent.keyboard('{ArrowDown}');
  expect(pair).toHaveTextContent('1: 52 %, 49 % ↔ 50 %, 51 %');
  const asked = vi.spyOn(api, 'matchReference').mockResolvedValue(matched);
  await userEvent.click(screen.getByRole('button', { name: 'Match' }));
  const [, , pairs, turn] = asked.mock.calls[0]!;
  expect(pairs).toHaveLength(1);
  expect(pairs[0]!.x).toBeCloseTo(0.52);
  expect(pairs[0]!.referenceY).toBeCloseTo(0.51);
  expect(turn).toBeNull();
});

test('a region is dragged within its picture and removed by its key', async () => {
  await choose('Match by', 'Paired regions');
  const mark = screen.getByRole('button', { name: 'Region 1 in the picture' });
  mark.setPointerCapture = vi.fn();
  mark.hasPointerCapture = () => true;
  vi.spyOn(mark.parentElement!, 'getBoundingClientRect').mockReturnValue({
    left: 100,
    top: 50,
    width: 200,
    height: 100,
  } as DOMRect);
  fireEvent.pointerDown(mark, { pointerId: 1, clientX: 150, clientY: 75 });
  expect(usePairs.getState().pairs[0]).toMatchObject({ x: 0.25, y: 0.25 });
  fireEvent.pointerMove(mark, { pointerId: 1, clientX: 500, clientY: 60 });
  expect(usePairs.getState().pairs[0]).toMatchObject({ x: 1, y: 0.1 });
  mark.focus();
  await userEvent.keyboard('{Delete}');
  expect(screen.queryByRole('group', { name: 'Pair 1' })).toBeNull();
  expect(screen.getByRole('button', { name: 'Match' })).toBeDisabled();
});

test('a surrounding is turned, and what came of it is kept as a proof', async () => {
  await choose('Surroundings', 'Turn Harbour');
  const asked = vi.spyOn(api, 'matchReference').mockResolvedValue(matched);
  await userEvent.click(screen.getByRole('button', { name: 'Match' }));
  expect(asked).toHaveBeenCalledWith('a', file, [], 'harbour');
  expect(await screen.findByText(/Harbour turned from 40° to 128°/)).toBeVisible();
  const proof = { id: 7, name: 'Proof 3' } as Proof;
  vi.spyOn(api, 'takeProof').mockResolvedValue(proof);
  const named = vi.spyOn(api, 'writeProof').mockResolvedValue({ ...proof, name: 'Match' });
  await userEvent.click(screen.getByRole('button', { name: 'Take with a proof' }));
  expect(keep).toHaveBeenCalledWith('Match reference', operations);
  await vi.waitFor(() =>
    expect(named).toHaveBeenCalledWith(7, {
      name: 'Match of dusk.jpg',
      note: 'Off by 0.90 st before, 0.25 st after.',
      star: false,
    }),
  );
});

test('pairs are added with the size of the last, placed and taken away', () => {
  addPair();
  sizePairs(0.1);
  addPair();
  placePair(1, 'reference', 0.2, 7);
  expect(usePairs.getState().pairs[1]).toEqual({
    x: 0.5,
    y: 0.5,
    referenceX: 0.2,
    referenceY: 1,
    size: 0.1,
  });
  removePair(0);
  expect(usePairs.getState().pairs).toHaveLength(1);
  expect(
    within(document.body).queryByRole('button', { name: 'Region 1 in the picture' }),
  ).toBeNull();
});
