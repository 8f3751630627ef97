import { afterEach, expect, test, vi } from 'vitest';
import { fetched } from './download';

afterEach(() => {
  vi.unstubAllGlobals();
});

const answer = (body: BodyInit, init: ResponseInit) =>
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, init)));

test('a file comes under the name that the application gives it', async () => {
  answer('12345', {
    headers: {
      'content-disposition': 'attachment; filename="armillary-shot.png"',
      'content-length': '5',
      'content-type': 'image/png',
    },
  });
  const told: unknown[] = [];
  const file = await fetched('/api/picture.png?page=1', (at) => told.push(at));
  expect(file.name).toBe('armillary-shot.png');
  expect(file.blob.size).toBe(5);
  expect(told.at(-1)).toEqual({ bytes: 5, of: 5 });
});

test('without a name the address gives one', async () => {
  answer('1', {});
  expect((await fetched('/api/a/model.glb?v=2', () => undefined)).name).toBe('model.glb');
});

test('a refusal is a problem in words', async () => {
  answer(JSON.stringify({ code: 'no-picture', detail: 'No picture yet.', kept: 'k', todo: 't' }), {
    status: 409,
  });
  await expect(fetched('/api/picture.png', () => undefined)).rejects.toMatchObject({
    code: 'no-picture',
    message: 'No picture yet.',
  });
});
