import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../api/client';
import type { Operation, ShootState } from '../api/document';
import { atRest } from '../motion/atRest';
import { useLive } from './store';
import { useShootDesk } from './useShoot';

vi.mock('notistack', () => ({ enqueueSnackbar: vi.fn() }));

const shoot = (revision: number, lights: string[]) =>
  ({
    id: 'a',
    revision,
    document: { name: 'A', motion: atRest, lights: lights.map((id) => ({ id })) },
  }) as unknown as ShootState;
const copy: Operation[] = [{ op: 'add', path: '/lights/1', value: { id: 'copy' } }];

let answer: (state: ShootState) => void;

beforeEach(() => {
  vi.spyOn(api, 'state').mockResolvedValue(shoot(1, ['key', 'rim']));
  vi.spyOn(api, 'edit').mockImplementation(
    () => new Promise<ShootState>((resolve) => (answer = resolve)),
  );
});
afterEach(() => {
  vi.restoreAllMocks();
  useLive.setState(useLive.getInitialState(), true);
});

async function opened() {
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useShootDesk('a', null), { wrapper });
  await waitFor(() => expect(result.current).not.toBeNull());
  return () => result.current!;
}

const ids = (state: ShootState) => state.document.lights.map((l) => l.id);

test('what follows an edit that is on its way is made on that edit', async () => {
  const desk = await opened();
  act(() => void desk().keep('Duplicate', copy));
  expect(ids(desk().state)).toEqual(['key', 'copy', 'rim']);
  expect(desk().document).toEqual(desk().state.document);
  // Removed by its place among the lights that are there once the first edit has come in.
  act(() => void desk().keep('Delete', [{ op: 'remove', path: '/lights/1' }]));
  expect(ids(desk().state)).toEqual(['key', 'rim']);
  await waitFor(() => expect(api.edit).toHaveBeenCalledTimes(1));
  act(() => answer(shoot(2, ['key', 'copy', 'rim'])));
  await waitFor(() => expect(api.edit).toHaveBeenCalledTimes(2));
  expect(api.edit).toHaveBeenLastCalledWith('a', 2, 'Delete', [
    { op: 'remove', path: '/lights/1' },
  ]);
  expect(ids(desk().state)).toEqual(['key', 'rim']);
  act(() => answer(shoot(3, ['key', 'rim'])));
  await waitFor(() => expect(desk().state.revision).toBe(3));
  expect(ids(desk().state)).toEqual(['key', 'rim']);
});

test('what is tried is shown on what is on its way', async () => {
  const desk = await opened();
  act(() => void desk().keep('Duplicate', copy));
  act(() => desk().tryOut([{ op: 'replace', path: '/lights/1/id', value: 'tried' }]));
  await waitFor(() =>
    expect(desk().document.lights.map((l) => l.id)).toEqual(['key', 'tried', 'rim']),
  );
  expect(ids(desk().state)).toEqual(['key', 'copy', 'rim']);
});

test('an edit that is refused is gone again', async () => {
  vi.mocked(api.edit).mockRejectedValue(new Error('refused'));
  const desk = await opened();
  act(() => void desk().keep('Duplicate', copy));
  await waitFor(() => expect(ids(desk().state)).toEqual(['key', 'rim']));
});
