import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { ShootDocument } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { Comparison } from './Comparison';
import { ProofCompare } from './ProofCompare';
import { variantOf } from './proofWords';
import { useProofChoice } from './useProofs';

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
      { id: 'key', name: 'Key' },
      { id: 'fill', name: 'Fill' },
    ],
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a', revision: 3 }, document };
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
