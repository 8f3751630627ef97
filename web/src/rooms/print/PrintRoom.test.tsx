import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { configure, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api, Problem } from '../../api/client';
import type { PrintJob, PrintOrder, ShootDocument } from '../../api/document';
import { atRest } from '../../motion/atRest';
import { newTrack } from '../../motion/track';
import { useTime } from '../../motion/time';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { usualOrder } from './order';
import { PrintDetails } from './PrintDetails';
import { PrintTray } from './PrintTray';
import { usePrintChoice } from './usePrints';

// Asking every element of these long forms whether it is hidden takes most of the time.
configure({ defaultHidden: true });

vi.mock('notistack', () => ({ enqueueSnackbar: vi.fn(), closeSnackbar: vi.fn() }));

const shot = (id: string, name: string) => ({ id, name, cutOut: false, look: 'k' });
const document = {
  name: 'Tide lens',
  shots: [shot('wide', 'Wide'), shot('close', 'Lens, close')],
  lights: [],
  looks: [{ id: 'k', name: 'K' }],
  motion: atRest,
} as unknown as ShootDocument;
const desk = {
  document,
  state: { id: 'tide-lens', revision: 4, document },
} as unknown as ShootDesk;

const job = (part: Partial<PrintJob>): PrintJob => ({
  id: 1,
  shoot: 'tide-lens',
  shootName: 'Tide lens',
  shotName: 'Wide',
  order: usualOrder('wide'),
  state: 'waiting',
  place: 1,
  created: '2026-03-04T10:00:00Z',
  ended: null,
  done: 0,
  samples: 0,
  noisePercent: null,
  tracedSeconds: 0,
  secondsLeft: null,
  factor: null,
  doing: null,
  detail: null,
  files: [],
  filmBytes: 0,
  picture: 0,
  ...part,
});

let jobs: PrintJob[];
let sent: PrintOrder[];

function show(of = desk) {
  render(
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      <ShootContext.Provider value={of}>
        <PrintTray />
        <PrintDetails />
      </ShootContext.Provider>
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  jobs = [];
  sent = [];
  usePrintChoice.setState({ job: null, order: null, shots: [] });
  vi.spyOn(api, 'prints').mockImplementation(() => Promise.resolve(jobs));
  vi.spyOn(api, 'printFolder').mockResolvedValue({ path: '/prints' });
  vi.spyOn(api, 'estimatePrint').mockImplementation((_, order) =>
    Promise.resolve({
      names: [`/prints/tide-lens/${order.shot}.png`],
      filmBytes: 250_000_000,
      memoryBytes: 300_000_000,
      bands: order.width > 4000 ? 5 : 1,
      problems: order.folder === '/full' ? ['The folder cannot be written to.'] : [],
    }),
  );
  vi.spyOn(api, 'orderPrint').mockImplementation((_, order) => {
    sent.push(order);
    const made = job({ id: sent.length, order, shotName: order.shot });
    jobs = [made, ...jobs];
    return Promise.resolve(made);
  });
});
afterEach(() => vi.restoreAllMocks());

test('an order of two shots with passes becomes two jobs, and the first is shown', async () => {
  const user = userEvent.setup();
  show();
  expect(await screen.findByText(/Nothing is ordered yet/)).toBeVisible();
  await user.click(screen.getByLabelText('Lens, close'));
  await user.click(screen.getByRole('button', { name: 'Passes' }));
  await user.click(screen.getByLabelText('Depth'));
  expect(screen.getByLabelText('OpenEXR')).toBeChecked();
  await user.click(await screen.findByRole('button', { name: 'Print 2 shots' }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent.map((o) => o.shot)).toEqual(['wide', 'close']);
  expect(sent[0]).toMatchObject({ passes: ['depth'], formats: ['png', 'exr'], noisePercent: 3 });
  expect(await screen.findByRole('heading', { name: 'Print 1' })).toBeVisible();
});

test('the name of the file and what the print takes are said before', async () => {
  show();
  expect(await screen.findByText('/prints/tide-lens/wide.png')).toBeVisible();
  expect(screen.getByText(/Film 250 MB on disk/)).toHaveTextContent('whole frame fills in at once');
});

test('what is wrong is said, and nothing can be ordered', async () => {
  usePrintChoice.setState({ order: { ...usualOrder('wide'), folder: '/full' } });
  show();
  expect(await screen.findByRole('alert')).toHaveTextContent('cannot be written to');
  expect(screen.getByRole('button', { name: 'Print' })).toBeDisabled();
});

test('an impossible order says why', async () => {
  vi.mocked(api.estimatePrint).mockRejectedValue(
    new Problem('impossible-value', 'pattern is ../x, allowed is a name that stays', '', ''),
  );
  show();
  expect(await screen.findByRole('alert')).toHaveTextContent('a name that stays');
});

test('a goal is chosen with its number', async () => {
  const user = userEvent.setup();
  show();
  await user.click(screen.getByRole('combobox', { name: 'Goes by' }));
  await user.click(screen.getByRole('option', { name: 'samples' }));
  expect(usePrintChoice.getState().order).toMatchObject({ samples: 256, noisePercent: 0 });
});

test('a size is chosen by its use', async () => {
  const user = userEvent.setup();
  show();
  await user.click(screen.getByRole('combobox', { name: 'Size' }));
  await user.click(screen.getByRole('option', { name: /8K/ }));
  expect(usePrintChoice.getState().order).toMatchObject({ width: 7680, height: 4320 });
  expect(await screen.findByText(/in 5 bands/)).toBeVisible();
});

test.each([
  ['waiting', ['Pause', 'Print first', 'Stop and keep', 'Delete']],
  ['printing', ['Pause', 'Stop and keep', 'Delete']],
  ['paused', ['Go on', 'Stop and keep', 'Delete', 'Print further']],
  ['failed', ['Try again', 'Delete']],
  ['stopped', ['Try again', 'Delete', 'Print further', 'Develop again']],
  ['done', ['Delete', 'Print further', 'Develop again']],
] as const)('a job that is %s can be worked on as fits', async (state, can) => {
  jobs = [job({ state })];
  usePrintChoice.setState({ job: 1 });
  show();
  await screen.findByRole('heading', { name: 'Print 1' });
  const all = ['Pause', 'Go on', 'Print first', 'Stop and keep', 'Try again', 'Develop again'];
  for (const name of can) expect(screen.getAllByRole('button', { name })[0]).toBeVisible();
  for (const name of all.filter((a) => !(can as readonly string[]).includes(a))) {
    expect(screen.queryByRole('button', { name })).toBeNull();
  }
});

test('actions go to the queue', async () => {
  const user = userEvent.setup();
  const act = vi.spyOn(api, 'actOnPrint').mockResolvedValue(job({ state: 'paused' }));
  jobs = [job({ state: 'printing' })];
  show();
  await user.click(await screen.findByRole('option', { name: 'Print 1: Wide' }));
  await user.click(await screen.findByRole('button', { name: 'Pause' }));
  expect(act).toHaveBeenCalledWith(1, 'pause');
});

test('further goes to half the noise', async () => {
  const user = userEvent.setup();
  const further = vi.spyOn(api, 'printFurther').mockResolvedValue(job({}));
  jobs = [job({ state: 'done', samples: 20, noisePercent: 2.9 })];
  usePrintChoice.setState({ job: 1 });
  show();
  await user.click((await screen.findAllByRole('button', { name: 'Print further' })).at(-1)!);
  expect(further).toHaveBeenCalledWith(1, { samples: 100_000, noisePercent: 1.5, minutes: 0 });
});

test('files are listed by their names', async () => {
  jobs = [
    job({ state: 'done', files: ['/prints/tide-lens/wide.png', '/prints/tide-lens/wide.exr'] }),
  ];
  usePrintChoice.setState({ job: 1 });
  show();
  await screen.findByRole('heading', { name: 'Print 1' });
  const files = screen.getByRole('region', { name: 'Files' });
  expect(within(files).getByText('tide-lens/wide.exr')).toBeVisible();
  expect(within(files).getAllByRole('button', { name: 'Save' })).toHaveLength(2);
});

const moving = {
  ...desk,
  document: { ...document, motion: { ...atRest, tracks: [newTrack('masterStops', 0, 0)] } },
} as unknown as ShootDesk;

test('of a shoot that moves a still is that of the frame that is shown, or frames are a film', async () => {
  useTime.setState({ frame: 12 });
  show(moving);
  await userEvent.click(await screen.findByRole('button', { name: 'Print' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.frames).toMatchObject({ first: 12, last: 12, movies: [] });
  usePrintChoice.setState({ job: null });
  await userEvent.click(await screen.findByRole('combobox', { name: 'Of the motion' }));
  await userEvent.click(screen.getByRole('option', { name: 'Frames' }));
  await userEvent.click(screen.getByRole('checkbox', { name: 'Animated GIF' }));
  await userEvent.click(screen.getByRole('button', { name: 'Print' }));
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent[1]!.frames).toEqual({
    first: 1,
    last: 72,
    every: 8,
    runningSeeds: false,
    temporalFilter: true,
    movies: ['mp4', 'gif'],
  });
});

test('of frames too large for memory it is said that each is denoised by itself', async () => {
  show(moving);
  await userEvent.click(await screen.findByRole('combobox', { name: 'Of the motion' }));
  await userEvent.click(screen.getByRole('option', { name: 'Frames' }));
  expect(screen.queryByText(/denoised by itself/)).toBeNull();
  await userEvent.click(screen.getByRole('combobox', { name: 'Size' }));
  await userEvent.click(screen.getByRole('option', { name: /8K/ }));
  expect(await screen.findByText(/each is denoised by itself/)).toBeVisible();
});

test('of frames that are done what changed is printed again', async () => {
  const frames = {
    first: 1,
    last: 4,
    every: 1,
    runningSeeds: false,
    temporalFilter: false,
    movies: [],
  };
  jobs = [job({ state: 'done', order: { ...usualOrder('wide'), frames } })];
  usePrintChoice.setState({ job: 1 });
  const refresh = vi.spyOn(api, 'refreshPrint').mockResolvedValue(jobs[0]!);
  show(moving);
  await userEvent.click(await screen.findByRole('button', { name: 'Print what changed' }));
  expect(refresh).toHaveBeenCalledWith(1);
  expect(screen.queryByRole('button', { name: 'Develop again' })).toBeNull();
  expect(screen.getByText('1 to 4')).toBeInTheDocument();
});
