import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api, Problem } from '../api/client';
import type { ShootState } from '../api/document';
import { NoShoot } from './NoShoot';

afterEach(() => {
  vi.restoreAllMocks();
  location.hash = '';
});

function show(error: unknown, onAgain = () => undefined) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <NoShoot error={error} onAgain={onAgain} />
    </QueryClientProvider>,
  );
}

test('a shoot that cannot be read leaves the others in reach', async () => {
  vi.spyOn(api, 'titles').mockResolvedValue([
    { id: 'broken', name: 'Broken', changed: '' },
    { id: 'whole', name: 'Whole', changed: '' },
  ]);
  location.hash = '#/broken';
  const again = vi.fn();
  show(new Problem('failed', 'lights[0] is odd.', 'It is kept.', 'Open another.'), again);
  expect(screen.getByRole('alert')).toHaveTextContent('lights[0] is odd.');
  expect(await screen.findByRole('link', { name: 'Whole' })).toHaveAttribute('href', '#/whole');
  expect(screen.queryByRole('link', { name: 'Broken' })).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Open again' }));
  expect(again).toHaveBeenCalledOnce();
});

test('without any shoot one can be made', async () => {
  vi.spyOn(api, 'titles').mockResolvedValue([]);
  const begin = vi
    .spyOn(api, 'newShoot')
    .mockResolvedValue({ id: 'new-shoot' } as unknown as ShootState);
  show(null);
  await userEvent.click(screen.getByRole('button', { name: 'New shoot' }));
  expect(begin).toHaveBeenCalledOnce();
  await vi.waitFor(() => expect(location.hash).toBe('#/new-shoot'));
});
