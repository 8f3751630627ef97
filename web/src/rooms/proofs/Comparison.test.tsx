import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { Matched, ShootDocument } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { Comparison } from './Comparison';
import { ProofCompare } from './ProofCompare';
import { variantOf } from './proofWords';
import { useProofChoice } from './useProofs';

const tryOut = vi.fn();
const leave = vi.fn();
const keep = vi.fn(() => Promise.resolve(true));

class Loaded {
  onload: (() => void) | null = null;
  set src(_: string) {
    setTimeout(() => this.onload?.());
  }
}

beforeEach(() => {
  vi.stubGlobal('Image', Loaded);
  vi.spyOn(api, 'proofs').mockResolvedValue([]);
  useChoice.setState({ room: 'proofs', light: 'fill' });
  const document = {
    lights: [
      { id: 'key', name: 'Key', emitter: { kind: 'rectangle' } },
      { id: 'fill', name: 'Fill', emitter: { kind: 'dome' } },
    ],
    banks: [],
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a', revision: 3 }, document, tryOut, leave, keep };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ShootContext.Provider value={desk as unknown as ShootDesk}>
        <Comparison proof={null} all={[]} />
        <ProofCompare />
      </ShootContext.Provider>
    </QueryClientProvider>,
  );
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
  useChoice.setState(useChoice.getInitialState(), true);
  useProofChoice.setState(useProofChoice.getInitialState(), true);
});

async function choose(option: string) {
  await userEvent.click(screen.getByRole('combobox', { name: 'With' }));
  await userEvent.click(screen.getByRole('option', { name: option }));
}

test('the picture now is held against itself without the chosen light', async () => {
  expect(screen.queryByRole('slider', { name: 'Wipe' })).toBeNull();
  await choose('Without Fill');
  const other = await screen.findByAltText('Without Fill');
  expect(other.getAttribute('src')).toContain('/live/variant.jpg?');
  expect(other.getAttribute('src')).toContain('without=fill');
  expect(screen.getByRole('slider', { name: 'Wipe' })).toBeVisible();
  await choose('Without glow');
  expect((await screen.findByAltText('Without glow')).getAttribute('src')).toContain('glow=false');
  await choose('Nothing');
  expect(screen.queryByRole('slider', { name: 'Wipe' })).toBeNull();
});

test('a picture from a file is a side of the comparison', async () => {
  vi.stubGlobal(
    'URL',
    Object.assign(URL, { createObjectURL: () => 'blob:reference', revokeObjectURL: vi.fn() }),
  );
  const file = new File(['x'], 'dusk.jpg', { type: 'image/jpeg' });
  await userEvent.upload(screen.getByLabelText('Reference picture'), file);
  expect(screen.getByAltText('Reference')).toHaveAttribute('src', 'blob:reference');
  expect(useProofChoice.getState().against).toBe('reference');
  const operations = [{ op: 'replace', path: '/lights/0/levelStops', value: 1 }];
  const match = {
    moves: [{ place: 'lights/key/levelStops', before: 0, after: 1, colour: null }],
    before: 0.9,
    after: 0.25,
  };
  const asked = vi
    .spyOn(api, 'matchReference')
    .mockResolvedValue({ match, operations } as unknown as Matched);
  await userEvent.click(screen.getByRole('button', { name: 'Match' }));
  expect(await screen.findByText(/Off by 0.90 st before, 0.25 st after/)).toBeVisible();
  expect(asked).toHaveBeenCalledWith('a', file, [], null);
  expect(tryOut).toHaveBeenCalledWith(operations);
  await userEvent.click(screen.getByRole('button', { name: 'Take' }));
  expect(keep).toHaveBeenCalledWith('Match reference', operations);
});

test('variants are asked for by name', () => {
  expect(variantOf('only', { id: 'key', name: 'Key' })).toEqual({
    change: { only: 'key' },
    text: 'Key alone',
  });
  expect(variantOf('traced', undefined)?.change).toEqual({ denoised: 'false' });
  expect(variantOf('without', undefined)).toBeNull();
  expect(variantOf('now', undefined)).toBeNull();
  expect(variantOf(3, undefined)).toBeNull();
});
