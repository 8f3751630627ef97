import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { PrintJob, ShootDocument } from '../../api/document';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { Flicker, framesText, mended, placeText } from './Flicker';
import { usualOrder } from './order';
import { usePrintChoice } from './usePrints';

const frames = {
  first: 1,
  last: 9,
  every: 8,
  runningSeeds: false,
  temporalFilter: false,
  movies: ['mp4' as const],
};
const order = { ...usualOrder('wide'), frames };

function shown(temporalFilter: boolean) {
  const document = { lights: [{ id: 'key', name: 'Key' }] } as unknown as ShootDocument;
  const job = {
    id: 3,
    order: { ...order, frames: { ...frames, temporalFilter } },
    files: ['a.png'],
    ended: null,
  } as unknown as PrintJob;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ShootContext.Provider value={{ document } as unknown as ShootDesk}>
        <Flicker job={job} />
      </ShootContext.Provider>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  vi.restoreAllMocks();
  usePrintChoice.setState({ job: null, order: null, shots: [] });
});

test('names the light, the frames, the place and the reason, and orders the mend', async () => {
  vi.spyOn(api, 'flickerOf').mockResolvedValue({
    frames: 9,
    perFrame: 0.0123,
    filtered: 0.0123,
    lights: [
      {
        light: 'key',
        reason: 'CAUSTIC',
        frames: [3, 4, 5, 8],
        worst: 4,
        x: 0.1,
        y: 0.9,
        perFrame: 0.071,
        filtered: 0.071,
      },
    ],
  });
  shown(false);
  expect(await screen.findByText('Frames are 1.2 % off their neighbours.')).toBeInTheDocument();
  const found = screen.getByRole('group', { name: 'Flicker of Key' });
  expect(found).toHaveTextContent('Frames 3 to 5, 8; most in 4, bottom left: 7.1 % of the light');
  expect(found).toHaveTextContent('too few photons');
  await userEvent.click(
    screen.getByRole('button', { name: 'Order again with temporal denoising' }),
  );
  expect(usePrintChoice.getState().order?.frames?.temporalFilter).toBe(true);
  expect(usePrintChoice.getState().job).toBeNull();
});

test('says that nothing flickers, and what temporal denoising did', async () => {
  vi.spyOn(api, 'flickerOf').mockResolvedValue({
    frames: 9,
    perFrame: 0.01,
    filtered: 0.002,
    lights: [],
  });
  shown(true);
  expect(await screen.findByText('No light flickers.')).toBeInTheDocument();
  expect(screen.getByText(/0.20 % after temporal denoising/)).toBeInTheDocument();
  expect(screen.queryByRole('button')).toHaveTextContent('Flicker');
});

test('what is denoised over time already gets more samples, or less noise', () => {
  const filtered = { ...order, frames: { ...frames, temporalFilter: true } };
  expect(mended({ ...filtered, noisePercent: 3 }).order.noisePercent).toBe(1.5);
  expect(mended({ ...filtered, noisePercent: 0, samples: 16 }).order.samples).toBe(64);
});

test('frames and places are said in words', () => {
  expect(framesText([1, 2, 3, 7])).toBe('1 to 3, 7');
  expect(placeText(0.5, 0.5)).toBe('middle');
  expect(placeText(0.9, 0.1)).toBe('top right');
});
