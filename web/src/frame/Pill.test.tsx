import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test } from 'vitest';
import { renderAtDesk } from '../live/renderAtDesk';
import { useLive } from '../live/store';
import { cleanIn, overGlossNote, Pill } from './Pill';

const progress = {
  state: 'tracing',
  samples: 12,
  noisePercent: 4.2,
  shares: { a: 0.75, b: 0.25 },
  overGloss: { a: 0.02, b: 0.4 },
  filmBytes: 12e6,
  mostFilmBytes: 2e9,
  pictureBytes: 0,
  triangles: 1200,
};

function shown(overGloss: string, more: object = {}) {
  useLive.setState({
    connected: true,
    frame: { samples: 12, step: 1, denoised: true, rays: 5_300_000 },
    progress: { ...progress, ...more },
  } as unknown as Partial<ReturnType<typeof useLive.getState>>);
  renderAtDesk(<Pill />, { bounce: { overGloss }, lights: [{ id: 'a' }, { id: 'b' }] }, {});
}

afterEach(() => useLive.setState(useLive.getInitialState(), true));

test('a picture that can be judged is clean, whether it is traced on or not', () => {
  expect(cleanIn(0, true)).toBe('clean');
  expect(cleanIn(0, false)).toBe('clean');
});

test('before, the time is told while it is traced', () => {
  expect(cleanIn(12.4, true)).toBe('clean in 13 s');
  expect(cleanIn(12.4, false)).toBe('');
  expect(cleanIn(null, true)).toBe('');
});

test('what is softened is named from one percent on', () => {
  expect(overGlossNote('soft', 0.115)).toBe('12 % softened');
  expect(overGlossNote('none', 0.03)).toBe('3 % left out');
  expect(overGlossNote('soft', 0.009)).toBe('');
  expect(overGlossNote('everything', 0.5)).toBe('');
});

test('noise, the share that is softened and rays stand in it', () => {
  shown('soft');
  const pill = screen.getByTestId('pill');
  expect(pill).toHaveAccessibleName('4.2 % noise, denoised, 12 % softened, tracing');
  expect(pill).toHaveTextContent('5.3 M rays');
});

test('low memory is told, and in the tip what would help', async () => {
  shown('everything', { smaller: true });
  expect(screen.getByText('4.2 % noise, low memory')).toBeInTheDocument();
  await userEvent.hover(screen.getByTestId('pill'));
  expect(await screen.findByRole('tooltip')).toHaveTextContent(
    /tracing, 12 samples a pixel.*layers take 12.0 MB of 2.0 GB.*close other shoots.*Click to pause/,
  );
});
