import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SnackbarProvider } from 'notistack';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../../api/client';
import type { Meter, Pin, PinReading, Proof, ShootDocument, Solved } from '../../../api/document';
import { useChoice } from '../../../frame/choice';
import { ShootContext, type ShootDesk } from '../../../live/useShoot';
import { useProofChoice } from '../useProofs';
import { MeterDetails } from './MeterDetails';
import { PinMarks } from './PinMarks';
import { TargetDetails } from './TargetDetails';
import { useMeterChoice } from './useMeter';

const keep = vi.fn(() => Promise.resolve(true));
const tryOut = vi.fn();
const leave = vi.fn();

const pin = (id: string, name: string): Pin => ({
  id,
  name,
  piece: 'base',
  position: [0, 0, 0],
  normal: [0, 1, 0],
  radius: 0,
});

const reading = (id: string, part: Partial<PinReading> = {}): PinReading => ({
  id,
  state: 'SEEN',
  x: 0.5,
  y: 0.5,
  luminance: 400,
  stops: 1.5,
  redStops: 0.4,
  blueStops: -0.4,
  lights: [
    { light: 'key', value: 300, share: 0.75 },
    { light: 'fill', value: 100, share: 0.25 },
  ],
  ...part,
});

const NONE: Meter = { pins: [], targets: [], faders: [], fewFaders: false, silenced: [] };

const PROOFS = [
  { id: 5, name: 'Key alone', layerBytes: 9 },
  { id: 6, name: 'As it is lit', layerBytes: 9 },
  { id: 7, name: 'Old', layerBytes: 0 },
] as Proof[];

function shown(part: Partial<Meter>, readings: PinReading[]) {
  vi.spyOn(api, 'proofs').mockResolvedValue(PROOFS);
  vi.spyOn(api, 'readings').mockResolvedValue({
    pins: readings,
    meanLuminance: 120,
    meanStops: 0.1,
    highestStops: 3.2,
  });
  const document = {
    lights: [
      { id: 'key', name: 'Key', muted: false, mirror: null },
      { id: 'fill', name: 'Fill', muted: false, mirror: null },
    ],
    banks: [],
    meter: { ...NONE, ...part },
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a', revision: 3 }, document, keep, tryOut, leave };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SnackbarProvider>
        <ShootContext.Provider value={desk as unknown as ShootDesk}>
          <MeterDetails />
          <TargetDetails />
          <PinMarks width={800} height={450} scale={1} />
        </ShootContext.Provider>
      </SnackbarProvider>
    </QueryClientProvider>,
  );
}

afterEach(() => {
  vi.restoreAllMocks();
  for (const f of [keep, tryOut, leave]) f.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
  useMeterChoice.setState(useMeterChoice.getInitialState(), true);
  useProofChoice.setState(useProofChoice.getInitialState(), true);
});

test('a pin is set by a click on the picture, or in its middle by a second press', async () => {
  const at = vi.spyOn(api, 'pinAt').mockResolvedValue(pin('pin-1', 'Base 1'));
  shown({}, []);
  await userEvent.click(screen.getByRole('button', { name: 'Add pin' }));
  useChoice.getState().armed!.take!(0.2, 0.3);
  await waitFor(() => expect(at).toHaveBeenCalledWith('a', 0.2, 0.3));
  expect(useChoice.getState().armed).toBeNull();
  await waitFor(() =>
    expect(keep).toHaveBeenCalledWith('Pin on Base 1', [
      { op: 'add', path: '/meter/pins/-', value: pin('pin-1', 'Base 1') },
    ]),
  );
  await userEvent.click(screen.getByRole('button', { name: 'Add pin' }));
  await userEvent.click(screen.getByRole('button', { name: 'Pin in the middle' }));
  await waitFor(() => expect(at).toHaveBeenLastCalledWith('a', 0.5, 0.5));
});

test('a chosen pin is read by light, with its cast and its ratio to another', async () => {
  shown({ pins: [pin('p', 'Base'), pin('q', 'Paper')] }, [
    reading('p'),
    reading('q', { luminance: 100, stops: -0.5 }),
  ]);
  await userEvent.click(await screen.findByRole('option', { name: 'Base' }));
  expect(await screen.findByText(/0.40 st warm/)).toBeVisible();
  const bars = screen.getByRole('list', { name: 'Light at Base' });
  expect(within(bars).getByText('75 %')).toBeVisible();
  expect(screen.getByRole('status', { name: 'Ratio' })).toHaveTextContent('4.0:1 · +2.00 st');
  expect(screen.getByText(/brightest region \+3.20 st/)).toBeVisible();
});

test('a pin that cannot be read says why', async () => {
  shown({ pins: [pin('p', 'Base')] }, [
    reading('p', { state: 'HIDDEN', luminance: 0, stops: null }),
  ]);
  expect(await screen.findByText('hidden')).toBeVisible();
  expect(screen.queryByLabelText('Base in the picture')).toBeNull();
});

test('arrow keys move a pin, and it goes with the targets that read it', async () => {
  const at = vi.spyOn(api, 'pinAt').mockResolvedValue({ ...pin('x', 'X'), position: [1, 2, 3] });
  const target = { id: 't', kind: 'stops', pin: 'p', other: null, stops: 0, weight: 1 } as const;
  shown({ pins: [pin('p', 'Base')], targets: [target] }, [reading('p')]);
  const mark = await screen.findByLabelText('Base in the picture');
  fireEvent.keyDown(mark, { key: 'ArrowRight' });
  await waitFor(() => expect(at).toHaveBeenCalledWith('a', 0.51, 0.5));
  await waitFor(() =>
    expect(keep).toHaveBeenCalledWith('Move Base', [
      { op: 'replace', path: '/meter/pins/0', value: { ...pin('p', 'Base'), position: [1, 2, 3] } },
    ]),
  );
  await userEvent.click(screen.getByRole('option', { name: 'Base' }));
  await userEvent.click(screen.getByRole('button', { name: 'Delete pin' }));
  expect(keep).toHaveBeenLastCalledWith('Remove Base', [
    { op: 'replace', path: '/meter/pins', value: [] },
    { op: 'replace', path: '/meter/targets', value: [] },
  ]);
});

test('arriving light is measured on surface and half-sphere', async () => {
  const arriving = { lux: 2000, lights: reading('p').lights, strongestToRest: 3 };
  const measure = vi
    .spyOn(api, 'incident')
    .mockResolvedValue({ surface: { ...arriving, lux: 1600 }, halfSphere: arriving, error: 0.03 });
  shown({ pins: [pin('p', 'Base')] }, [reading('p')]);
  await userEvent.click(await screen.findByRole('option', { name: 'Base' }));
  await userEvent.click(screen.getByRole('button', { name: 'Measure' }));
  expect(measure).toHaveBeenCalledWith('a', 'p');
  expect(await screen.findByText(/on a half-sphere 2000 lx ±3 %/)).toBeVisible();
  expect(screen.getByText(/Key to the rest 3.0:1/)).toBeVisible();
});

test('a new target wants what is read now, in thirds', async () => {
  shown({ pins: [pin('p', 'Base'), pin('q', 'Paper')] }, [
    reading('p', { stops: 1.4 }),
    reading('q', { stops: -0.6 }),
  ]);
  await screen.findAllByText('+1.40 st');
  await userEvent.click(screen.getByRole('button', { name: 'Add target' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Ratio of two pins' }));
  const value = { id: 'target-1', kind: 'ratio', pin: 'p', other: 'q', stops: 2, weight: 1 };
  expect(keep).toHaveBeenCalledWith('Add target', [
    { op: 'replace', path: '/meter/targets', value: [value] },
  ]);
});

test('levels are shown live, and taken as one edit or left', async () => {
  const operations = [{ op: 'replace', path: '/lights/0/levelStops', value: -1 }];
  const solved = {
    solution: {
      moves: [
        { place: 'lights/key/levelStops', before: 0, after: -1, colour: null },
        { place: 'lights/fill/levelStops', before: 0.5, after: 0.5, colour: null },
      ],
      outcomes: [
        {
          target: 't',
          before: 1.5,
          after: 0.4,
          met: false,
          obstacles: [{ kind: 'LIMIT', what: 'lights/key/levelStops', share: 0 }],
        },
      ],
      unread: [],
    },
    operations,
  } as unknown as Solved;
  vi.spyOn(api, 'solveTargets').mockResolvedValue(solved);
  const target = { id: 't', kind: 'stops', pin: 'p', other: null, stops: 0, weight: 1 } as const;
  shown({ pins: [pin('p', 'Base')], targets: [target] }, [reading('p')]);
  await userEvent.click(await screen.findByRole('button', { name: 'Find levels' }));
  await waitFor(() => expect(tryOut).toHaveBeenCalledWith(operations));
  expect(screen.getByText('+1.50 st → +0.40 st')).toBeVisible();
  expect(screen.getByText('at the end of its range: Key')).toBeVisible();
  const table = screen.getByRole('table', { name: 'Faders before and after' });
  expect(within(table).getByText('0 → −1')).toBeVisible();
  expect(within(table).getByText('+0.50 stays')).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'Leave' }));
  expect(leave).toHaveBeenCalled();
  expect(screen.queryByRole('table')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Find levels' }));
  await userEvent.click(await screen.findByRole('button', { name: 'Take' }));
  expect(keep).toHaveBeenCalledWith('Meet targets', operations);
});

test('faders that may move are named, with ranges and colours', async () => {
  const target = { id: 't', kind: 'mean', pin: null, other: null, stops: 0, weight: 1 } as const;
  shown({ targets: [target] }, []);
  await userEvent.click(await screen.findByRole('button', { name: 'Faders that may move' }));
  await userEvent.click(screen.getByRole('checkbox', { name: 'Fill may move' }));
  const usual = {
    leastStops: -3,
    mostStops: 3,
    colour: false,
    leastKelvin: 2700,
    mostKelvin: 7500,
  };
  expect(keep).toHaveBeenCalledWith('Faders that may move', [
    {
      op: 'replace',
      path: '/meter/faders',
      value: [{ place: 'lights/key/levelStops', ...usual }],
    },
  ]);
  await userEvent.click(screen.getByRole('switch', { name: 'Move few of them' }));
  expect(keep).toHaveBeenLastCalledWith('Faders that may move', [
    { op: 'replace', path: '/meter/fewFaders', value: true },
  ]);
});

test('both sides of a comparison are read, with their change', async () => {
  const inProof = vi.spyOn(api, 'proofReadings').mockImplementation((id) =>
    Promise.resolve({
      pins: [reading('p', { stops: id === 5 ? 0.5 : 1 })],
      meanLuminance: 60,
      meanStops: id === 5 ? -0.9 : 0,
      highestStops: 2,
    }),
  );
  useProofChoice.setState({ proof: 5, against: 'now' });
  shown({ pins: [pin('p', 'Base')] }, [reading('p')]);
  const row = await screen.findByRole('option', { name: 'Base' });
  await waitFor(() => expect(row).toHaveTextContent('1Base+0.50 st+1.50 st+1.00 st'));
  expect(
    screen.getByText(/mean: Key alone −0.90 st · Now \+0.10 st · change \+1.00 st/),
  ).toBeVisible();
  act(() => useProofChoice.setState({ against: 6 }));
  await waitFor(() => expect(row).toHaveTextContent('1Base+0.50 st+1.00 st+0.50 st'));
  // A proof without layers cannot be read.
  act(() => useProofChoice.setState({ proof: 7 }));
  await waitFor(() => expect(row).toHaveTextContent('1Base+1.50 st'));
  expect(inProof).not.toHaveBeenCalledWith(7);
});

test('the picture without a light is read beside the picture now', async () => {
  useProofChoice.setState({ against: 'without' });
  useChoice.setState({ light: 'fill' });
  shown({ pins: [pin('p', 'Base')] }, [reading('p')]);
  vi.mocked(api.readings).mockImplementation((_, change = {}) =>
    Promise.resolve({
      pins: [reading('p', { stops: change.without === 'fill' ? 1.1 : 1.5 })],
      meanLuminance: 60,
      meanStops: 0,
      highestStops: 2,
    }),
  );
  const row = await screen.findByRole('option', { name: 'Base' });
  await waitFor(() => expect(row).toHaveTextContent('1Base+1.50 st+1.10 st−0.40 st'));
  expect(screen.getByTitle('Without Fill')).toBeVisible();
});
