import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { ShootDocument } from '../../api/document';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { MakeCaustics } from './MakeCaustics';

const keep = vi.fn(() => Promise.resolve(true));

function shown() {
  const desk = { state: { id: 's', document: {} as ShootDocument }, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <MakeCaustics name="Float" of={{ piece: 'float', shot: 'wide' }} />
    </ShootContext.Provider>,
  );
}

afterEach(() => {
  keep.mockClear();
  vi.restoreAllMocks();
});

test('makes one edit of what the server finds, and says what it did', async () => {
  const operations = [{ op: 'replace' as const, path: '/lights/0/castsCaustics', value: 'on' }];
  const asked = vi.spyOn(api, 'causticSetup').mockResolvedValue({
    operations,
    steps: [
      { kind: 'LIGHT_CASTS', name: 'Key', value: 0 },
      { kind: 'BOUNCES_RAISED', name: '', value: 2 },
    ],
  });
  shown();
  await userEvent.click(screen.getByRole('button', { name: 'Make caustics' }));
  expect(asked).toHaveBeenCalledWith('s', { piece: 'float', shot: 'wide' });
  expect(keep).toHaveBeenCalledWith('Make caustics of Float', operations);
  expect(screen.getByRole('status')).toHaveTextContent(
    'Key casts caustics.Light meets up to 8 surfaces; it was 2.',
  );
});

test('says so where all is set up, and makes no edit', async () => {
  vi.spyOn(api, 'causticSetup').mockResolvedValue({ operations: [], steps: [] });
  shown();
  await userEvent.click(screen.getByRole('button', { name: 'Make caustics' }));
  expect(keep).not.toHaveBeenCalled();
  expect(screen.getByRole('status')).toHaveTextContent('All is set up already.');
});
