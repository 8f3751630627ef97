import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../api/client';
import { useLive } from '../live/store';
import { SavedNote } from './SavedNote';

const storage = (keeps: boolean) => ({
  keeps,
  why: keeps ? null : 'The disk with the data folder is full.',
  freeBytes: 0,
  databaseBytes: 0,
  notice: null as string | null,
});

function show() {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SavedNote />
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  useLive.setState({ connected: true });
  vi.spyOn(api, 'storage').mockResolvedValue(storage(true));
});
afterEach(() => {
  vi.restoreAllMocks();
  useLive.setState(useLive.getInitialState());
});

test('what is kept is called saved', async () => {
  show();
  expect(await screen.findByText('Saved')).toBeVisible();
});

test('an edit on its way is said, and one that waits for an answer too', () => {
  useLive.setState({ pending: [[]] });
  show();
  expect(screen.getByRole('status')).toHaveTextContent('Saving …');
  act(() => useLive.setState({ obstacle: 'unreachable', pending: [[], []] }));
  expect(screen.getByRole('status')).toHaveTextContent('Not saved: 2 changes wait');
  act(() => useLive.setState({ obstacle: null, pending: [] }));
  expect(screen.getByRole('status')).toHaveTextContent('Saved');
});

test('a full disk is said before anything is changed', async () => {
  vi.mocked(api.storage).mockResolvedValue(storage(false));
  show();
  expect(await screen.findByText('Nothing is being saved')).toBeVisible();
});

test('what should be known of the database is said by the word', async () => {
  vi.mocked(api.storage).mockResolvedValue({
    ...storage(true),
    notice: 'Restart it now and then.',
  });
  show();
  expect(await screen.findByLabelText('Saved or not')).toBeVisible();
  await userEvent.hover(screen.getByText('Saved'));
  expect(await screen.findByText('Restart it now and then.')).toBeVisible();
});

test('a lost connection is said', () => {
  useLive.setState({ connected: false });
  show();
  expect(screen.getByRole('status')).toHaveTextContent('Saved; reconnecting …');
});
