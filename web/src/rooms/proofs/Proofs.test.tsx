import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { Proof, ShootDocument } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { ProofCompare } from './ProofCompare';
import { ProofDetails } from './ProofDetails';
import { ProofTray } from './ProofTray';
import { useProofKeys } from './useProofKeys';
import { useProofChoice } from './useProofs';

const keep = vi.fn(() => Promise.resolve(true));

function proof(id: number, part: Partial<Proof> = {}): Proof {
  return {
    id,
    name: `Proof ${id}`,
    note: '',
    star: false,
    created: '2031-05-04T10:20:00Z',
    shot: 'wide',
    shotName: 'Wide',
    seconds: null,
    width: 640,
    height: 360,
    samples: 8,
    noisePercent: 4,
    tracedSeconds: 12,
    bytes: 7_000_000,
    layerBytes: 6_000_000,
    ...part,
  };
}

function Keys() {
  useProofKeys('a');
  return null;
}

function shown(proofs: Proof[]) {
  vi.spyOn(api, 'proofs').mockResolvedValue(proofs);
  vi.spyOn(api, 'proofChanges').mockResolvedValue([
    {
      place: 'lights/key/levelStops',
      now: 1,
      other: 0,
      operations: [{ op: 'replace', path: '/lights/0/levelStops', value: 0 }],
    },
  ]);
  const document = { lights: [{ id: 'key', name: 'Key' }] } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a', revision: 3 }, document, keep };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SnackbarProvider>
        <ShootContext.Provider value={desk as unknown as ShootDesk}>
          <Keys />
          <ProofTray />
          <ProofDetails />
          <ProofCompare />
        </ShootContext.Provider>
      </SnackbarProvider>
    </QueryClientProvider>,
  );
}

beforeEach(() => useChoice.setState({ room: 'proofs' }));

afterEach(() => {
  vi.restoreAllMocks();
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
  useProofChoice.setState(useProofChoice.getInitialState(), true);
});

test('P takes a proof, which is chosen; not while a text is written', async () => {
  const take = vi.spyOn(api, 'takeProof').mockResolvedValue(proof(3));
  shown([proof(1), proof(3)]);
  expect(await screen.findByText('2 proofs, 14 MB')).toBeVisible();
  fireEvent.keyDown(document.body, { key: 'p' });
  await waitFor(() => expect(useProofChoice.getState().proof).toBe(3));
  expect(take).toHaveBeenCalledWith('a');
  (await screen.findByLabelText('Note')).focus();
  fireEvent.keyDown(screen.getByLabelText('Note'), { key: 'p' });
  expect(take).toHaveBeenCalledTimes(1);
});

test('without proofs it is said how one is taken', async () => {
  shown([]);
  expect(await screen.findByText(/P keeps the picture/)).toBeVisible();
  expect(screen.getByText(/B held shows it/)).toBeVisible();
});

test('name, note and star are written', async () => {
  const write = vi.spyOn(api, 'writeProof').mockResolvedValue(proof(1));
  shown([proof(1)]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  await userEvent.click(screen.getByRole('button', { name: 'Star' }));
  expect(write).toHaveBeenLastCalledWith(1, { name: 'Proof 1', note: '', star: true });
  await userEvent.type(screen.getByLabelText('Note'), 'Warm');
  await userEvent.tab();
  expect(write).toHaveBeenLastCalledWith(1, { name: 'Proof 1', note: 'Warm', star: false });
  await userEvent.clear(screen.getByLabelText('Name of the proof'));
  await userEvent.type(screen.getByLabelText('Name of the proof'), 'Key lower{Enter}');
  expect(write).toHaveBeenLastCalledWith(1, { name: 'Key lower', note: '', star: false });
});

test('a part goes back as one edit, and a single value too', async () => {
  const operations = [{ op: 'replace', path: '/lights', value: [] }] as never;
  const bringing = vi.spyOn(api, 'proofOperations').mockResolvedValue(operations);
  shown([proof(1)]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  await userEvent.click(screen.getByRole('button', { name: 'Rig' }));
  expect(bringing).toHaveBeenCalledWith(1, 'rig');
  await waitFor(() => expect(keep).toHaveBeenCalledWith('Rig as in Proof 1', operations));
  const changes = await screen.findByRole('list', { name: 'Changes' });
  expect(within(changes).getByText('now +1 st, then 0 st')).toBeVisible();
  await userEvent.click(within(changes).getByRole('button', { name: 'Key: Level as then' }));
  expect(keep).toHaveBeenLastCalledWith('Key: Level as in Proof 1', [
    { op: 'replace', path: '/lights/0/levelStops', value: 0 },
  ]);
});

test('the wipe is moved by keys, and proofs are held against each other or the picture', async () => {
  shown([proof(1), proof(2)]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  const wipe = screen.getByRole('slider', { name: 'Wipe' });
  fireEvent.keyDown(wipe, { key: 'ArrowRight' });
  expect(wipe).toHaveAttribute('aria-valuenow', '52');
  expect(screen.getByText('Now')).toBeVisible();
  expect(screen.queryByAltText('Proof 2')).toBeNull();
  await userEvent.click(screen.getByRole('combobox', { name: 'With' }));
  await userEvent.click(screen.getByRole('option', { name: 'Proof 2' }));
  expect(screen.getByAltText('Proof 2')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('combobox', { name: 'Shown' }));
  await userEvent.click(screen.getByRole('option', { name: 'Side by side' }));
  expect(screen.queryByRole('slider', { name: 'Wipe' })).toBeNull();
});

test('the difference in stops has its scale, and needs layers of both', async () => {
  shown([proof(1), proof(2, { layerBytes: 0 })]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  await userEvent.click(screen.getByRole('combobox', { name: 'Shown' }));
  await userEvent.click(screen.getByRole('option', { name: 'Difference' }));
  expect(screen.getByLabelText(/Colours of the difference/)).toHaveTextContent('−4−20+2+4 st');
  await userEvent.click(screen.getByRole('combobox', { name: 'With' }));
  await userEvent.click(screen.getByRole('option', { name: 'Proof 2' }));
  expect(screen.queryByLabelText(/Colours of the difference/)).toBeNull();
  await userEvent.click(screen.getByRole('combobox', { name: 'Shown' }));
  expect(screen.queryByRole('option', { name: 'Difference' })).toBeNull();
});

test('a proof is held against its own light as the shoot is set now', async () => {
  shown([proof(1)]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  await userEvent.click(screen.getByRole('combobox', { name: 'With' }));
  await userEvent.click(screen.getByRole('option', { name: 'Its light, set as now' }));
  expect(screen.getByText(/without tracing light/)).toBeVisible();
  expect(screen.getByText('Set as now')).toBeVisible();
});

test('B held shows the newest in any room, and alone', async () => {
  useChoice.setState({ room: 'rig' });
  shown([proof(1), proof(2)]);
  await screen.findByText('2 proofs, 14 MB');
  expect(screen.queryByAltText('Proof 2')).toBeNull();
  fireEvent.keyDown(document.body, { key: 'b' });
  expect(screen.getByAltText('Proof 2')).toBeInTheDocument();
  fireEvent.keyUp(document.body, { key: 'b' });
  expect(screen.queryByAltText('Proof 2')).toBeNull();
  act(() => useProofChoice.setState({ flipped: true }));
  fireEvent.blur(window);
  expect(useProofChoice.getState().flipped).toBe(false);
});

test('layers are let go, and a proof deleted', async () => {
  const letGo = vi.spyOn(api, 'deleteLayers').mockResolvedValue(proof(1, { layerBytes: 0 }));
  const remove = vi.spyOn(api, 'deleteProof').mockResolvedValue();
  shown([proof(1)]);
  await userEvent.click(await screen.findByRole('option', { name: 'Proof 1' }));
  await userEvent.click(screen.getByRole('button', { name: 'Space' }));
  await userEvent.click(screen.getByRole('button', { name: 'Let layers go' }));
  expect(letGo).toHaveBeenCalledWith(1);
  await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
  await waitFor(() => expect(remove).toHaveBeenCalledWith(1));
  expect(useProofChoice.getState().proof).toBeNull();
});
