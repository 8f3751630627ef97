import { beforeEach, expect, test, vi } from 'vitest';
import { chosenWith, useChoice } from './choice';

beforeEach(() => useChoice.setState({ room: 'rig', light: 'key', piece: null }));

test('what an edit makes is chosen before the edit is answered', async () => {
  let resolve: (kept: boolean) => void = () => undefined;
  const promise = new Promise<boolean>((r) => {
    resolve = r;
  });
  const done = chosenWith(promise, { light: 'copy' });
  expect(useChoice.getState().light).toBe('copy');
  resolve(true);
  await done;
  expect(useChoice.getState().light).toBe('copy');
});

test('what was chosen before is chosen again when the edit is refused', async () => {
  await chosenWith(Promise.resolve(false), { light: null, piece: 'new', room: 'set' });
  expect(useChoice.getState()).toMatchObject({ room: 'rig', light: 'key', piece: null });
});

test('what is armed is left with the room', () => {
  const leave = vi.fn();
  useChoice.setState({ armed: { what: 'Click where light is to be read', take: vi.fn(), leave } });
  useChoice.setState({ light: 'fill' });
  expect(useChoice.getState().armed).not.toBeNull();
  useChoice.setState({ room: 'print' });
  expect(useChoice.getState().armed).toBeNull();
  expect(leave).toHaveBeenCalledOnce();
});
