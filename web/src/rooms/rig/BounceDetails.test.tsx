import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { ShootDocument } from '../../api/document';
import { useLive } from '../../live/store';
import { atRest } from '../../motion/atRest';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { BounceDetails } from './BounceDetails';

type Way = ShootDocument['bounce']['overGloss'];

const keep = vi.fn(() => Promise.resolve(true));

function shown(overGloss: Way) {
  const document = {
    motion: atRest,
    bounce: { maxBounces: 64, level: 1, fadesAtMetres: 0, overGloss, mirrorBounces: 64 },
    lights: [
      { id: 'a', name: 'Key' },
      { id: 'b', name: 'Sun' },
    ],
  } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <BounceDetails />
    </ShootContext.Provider>,
  );
}

beforeEach(() =>
  useLive.setState({
    progress: { shares: { a: 0.75, b: 0.25 }, overGloss: { a: 0.02, b: 0.4 } },
  } as unknown as Partial<ReturnType<typeof useLive.getState>>),
);
afterEach(() => {
  keep.mockClear();
  useLive.setState(useLive.getInitialState(), true);
});

test('says what of the light is softened, the light with most of it first', () => {
  shown('soft');
  expect(
    screen.getByText('Softened: 12 % of the picture’s light; Sun 40 %, Key 2 %, each of its own.'),
  ).toBeInTheDocument();
});

test('says what is left out', () => {
  shown('none');
  expect(screen.getByText(/^Left out: 12 %/)).toBeInTheDocument();
});

test('says nothing where light is as physics has it', () => {
  shown('everything');
  expect(screen.queryByText(/Softened|Left out/)).toBeNull();
});

test('another way is kept as an edit', async () => {
  shown('soft');
  await userEvent.click(screen.getByRole('combobox', { name: 'Light over gloss' }));
  await userEvent.click(screen.getByRole('option', { name: 'Everything' }));
  expect(keep).toHaveBeenCalledWith('Light over gloss', [
    { op: 'replace', path: '/bounce/overGloss', value: 'everything' },
  ]);
});
