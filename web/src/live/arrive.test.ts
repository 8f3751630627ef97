import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Problem } from '../api/client';
import type { ShootState } from '../api/document';
import { arrive, type ArrivalHooks, type Obstacle } from './arrive';

const state = (revision: number, undo: string | null = null) =>
  ({ id: 's', revision, undo, redo: null, document: {} }) as unknown as ShootState;
const problem = (code: string) => new Problem(code, code, '', '');

let told: (Obstacle | null)[];
let asked: ArrivalHooks;

beforeEach(() => {
  vi.useFakeTimers();
  told = [];
  asked = {
    state: vi.fn(() => Promise.resolve(state(3))),
    storage: vi.fn(() => Promise.resolve({ keeps: true })),
    waits: (o) => told.push(o),
    left: () => false,
  };
});
afterEach(() => {
  vi.useRealTimers();
});

test('an edit that is answered does not wait', async () => {
  const step = vi.fn((revision: number) => Promise.resolve(state(revision + 1)));
  expect((await arrive(step, state(3), 'Level', asked)).revision).toBe(4);
  expect(told).toEqual([null]);
});

test('an edit waits until the application answers, and is sent again', async () => {
  const step = vi
    .fn<(revision: number) => Promise<ShootState>>()
    .mockRejectedValueOnce(problem('unreachable'))
    .mockResolvedValueOnce(state(4, 'Level'));
  vi.mocked(asked.storage).mockRejectedValueOnce(problem('unreachable'));
  const done = arrive(step, state(3), 'Level', asked);
  await vi.advanceTimersByTimeAsync(2500);
  expect((await done).revision).toBe(4);
  expect(step).toHaveBeenCalledTimes(2);
  expect(told).toEqual(['unreachable', null]);
});

test('an edit whose answer was lost is not made twice', async () => {
  const step = vi.fn(() => Promise.reject(problem('unreachable')));
  vi.mocked(asked.state).mockResolvedValue(state(4, 'Level'));
  const done = arrive(step, state(3), 'Level', asked);
  await vi.advanceTimersByTimeAsync(1500);
  expect((await done).revision).toBe(4);
  expect(step).toHaveBeenCalledTimes(1);
});

test('a change made elsewhere meanwhile is not overwritten', async () => {
  const step = vi.fn(() => Promise.reject(problem('unreachable')));
  vi.mocked(asked.state).mockResolvedValue(state(4, 'Something else'));
  const done = arrive(step, state(3), 'Level', asked).catch((e: unknown) => e as Problem);
  await vi.advanceTimersByTimeAsync(1500);
  expect(await done).toHaveProperty('code', 'stale');
});

test('while nothing is kept the edit waits for room', async () => {
  const step = vi
    .fn<(revision: number) => Promise<ShootState>>()
    .mockRejectedValueOnce(problem('not-kept'))
    .mockResolvedValueOnce(state(4));
  vi.mocked(asked.storage).mockResolvedValueOnce({ keeps: false });
  const done = arrive(step, state(3), 'Level', asked);
  await vi.advanceTimersByTimeAsync(1500);
  expect(told).toEqual(['not-kept']);
  await vi.advanceTimersByTimeAsync(1500);
  expect((await done).revision).toBe(4);
});

test('a refusal is told at once', async () => {
  const step = () => Promise.reject(problem('impossible-value'));
  await expect(arrive(step, state(3), 'Level', asked)).rejects.toHaveProperty(
    'code',
    'impossible-value',
  );
});

test('a page that leaves waits no more', async () => {
  const step = () => Promise.reject(problem('unreachable'));
  asked.left = () => true;
  const done = arrive(step, state(3), null, asked).catch((e: unknown) => e as Problem);
  await vi.advanceTimersByTimeAsync(1500);
  expect(await done).toHaveProperty('code', 'left');
});
