import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import { Fetched } from './Fetched';

function Gels({ get }: { get: () => Promise<string[]> }) {
  const gels = useQuery({ queryKey: ['gels'], queryFn: get, retry: false });
  return (
    <>
      {gels.data?.map((g) => (
        <p key={g}>{g}</p>
      ))}
      <Fetched of={gels} what="The gels" empty="There are no gels." />
    </>
  );
}

function show(get: () => Promise<string[]>) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Gels get={get} />
    </QueryClientProvider>,
  );
}

test('says that it waits, and no more when all is there', async () => {
  let give: (gels: string[]) => void = () => undefined;
  show(() => new Promise((resolve) => (give = resolve)));
  expect(screen.getByRole('status', { name: 'The gels: loading' })).toBeVisible();
  give(['Amber']);
  expect(await screen.findByText('Amber')).toBeVisible();
  expect(screen.queryByRole('status')).toBeNull();
  expect(screen.queryByRole('note')).toBeNull();
});

test('says that there is none', async () => {
  show(() => Promise.resolve([]));
  expect(await screen.findByRole('note')).toHaveTextContent('There are no gels.');
});

test('says what failed, and tries again', async () => {
  const get = vi
    .fn<() => Promise<string[]>>()
    .mockRejectedValueOnce(new Error('The application does not answer.'))
    .mockResolvedValue(['Amber']);
  show(get);
  expect(await screen.findByRole('alert')).toHaveTextContent(
    'The gels could not be loaded. The application does not answer.',
  );
  await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText('Amber')).toBeVisible();
  expect(screen.queryByRole('alert')).toBeNull();
});
