import { beforeEach, expect, test } from 'vitest';
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
