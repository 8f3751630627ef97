import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Operation, ShootDocument, Track } from '../../api/document';
import { NumberOf } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { atRest } from '../../motion/atRest';
import { useTime } from '../../motion/time';
import { newTrack, withKey } from '../../motion/track';
import { TimeChip } from '../../motion/TimeChip';
import { Links } from './Links';
import { MotionDetails } from './MotionDetails';
import { MotionTray } from './MotionTray';
import { useMotion } from './motionChoice';
import { nextKey } from './Transport';

const keep = vi.fn<(label: string, operations?: Operation[]) => Promise<boolean>>(() =>
  Promise.resolve(true),
);
const tryOut = vi.fn();
const level = withKey(newTrack('lights/key/levelStops', 0.5, 0), 2, 4);

beforeEach(() =>
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = vi.fn();
      disconnect = vi.fn();
    },
  ),
);
afterEach(() => {
  vi.unstubAllGlobals();
  keep.mockClear();
  tryOut.mockClear();
  useTime.setState(useTime.getInitialState(), true);
  useMotion.setState(useMotion.getInitialState(), true);
});

function shown(tracks: Track[], ui: React.ReactNode) {
  const document = {
    lights: [{ id: 'key', name: 'Key', levelStops: 1, position: [0, 1, 2], muted: false }],
    pieces: [],
    materials: [],
    banks: [],
    shots: [{ id: 's', name: 'Wide', focalLengthMm: 50 }],
    looks: [],
    motion: { ...atRest, tracks },
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a' }, document, keep, tryOut } as unknown as ShootDesk;
  render(<ShootContext.Provider value={desk}>{ui}</ShootContext.Provider>);
}
const kept = () =>
  keep.mock.lastCall![1]!.find((o) => o.path === '/motion/tracks')!.value as Track[];

test('a shoot at rest says how to begin, and a track is added by thing and value', async () => {
  shown([], <MotionTray />);
  expect(screen.getByText(/Nothing moves yet/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Track' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Key' }));
  expect(screen.getAllByRole('menuitem')[0]).toHaveTextContent('Level');
  await userEvent.click(screen.getByRole('menuitem', { name: 'Level' }));
  expect(keep.mock.lastCall![0]).toBe('Key Key, Level');
  expect(kept()[0]).toMatchObject({
    place: 'lights/key/levelStops',
    keys: [{ seconds: 1 / 24, value: 1 }],
  });
});

test('the ruler moves the time by arrows, within the range', () => {
  shown([level], <MotionTray />);
  const ruler = screen.getByRole('slider', { name: 'Time' });
  fireEvent.keyDown(ruler, { key: 'ArrowRight' });
  expect(useTime.getState().frame).toBe(2);
  fireEvent.keyDown(ruler, { key: 'ArrowLeft', shiftKey: true });
  expect(useTime.getState().frame).toBe(1);
});

test('a key is dragged to another frame, and removed', () => {
  shown([level], <MotionTray />);
  const key = screen.getByRole('button', { name: 'Key of Key, Level at 12' });
  fireEvent.pointerDown(key, { clientX: 100, button: 0 });
  fireEvent.pointerMove(window, { clientX: 150 });
  expect(tryOut).toHaveBeenCalled();
  fireEvent.pointerUp(window);
  expect(keep.mock.lastCall![0]).toBe('Move keys');
  const [moved] = kept();
  expect((moved!.keys[0]!.seconds * 24) % 1).toBeCloseTo(0, 6);
  expect(moved!.keys[0]!.seconds).toBeGreaterThan(0.5);
  fireEvent.keyDown(window, { key: 'Delete' });
  expect(keep.mock.lastCall![0]).toBe('Remove keys');
});

test('the details of a key: its span, its time, its value', async () => {
  useMotion.setState({
    tracks: [level.place],
    keys: [{ place: level.place, seconds: 0.5 }],
  });
  shown([level], <MotionDetails />);
  expect(screen.getByLabelText('At frame')).toHaveValue('12');
  await userEvent.click(screen.getByLabelText('To the key after it'));
  await userEvent.click(screen.getByRole('option', { name: 'Hold' }));
  expect(kept()[0]!.keys[0]!.span).toBe('hold');
  await userEvent.click(screen.getByLabelText('After the last key'));
  await userEvent.click(screen.getByRole('option', { name: 'Back and forth' }));
  expect(kept()[0]!.after).toBe('ping_pong');
  const value = screen.getByLabelText('Value');
  await userEvent.clear(value);
  await userEvent.type(value, '2{Enter}');
  const tried = tryOut.mock.lastCall![0] as Operation[];
  expect((tried[0]!.value as Track[])[0]!.keys[0]!.value).toBe(2);
});

test('curves are drawn of what is chosen, one line a number', async () => {
  const position = withKey(newTrack('lights/key/position', 1, [0, 1, 2]), 2, [3, 1, 2]);
  useMotion.setState({ tracks: [position.place] });
  shown([level, position], <MotionTray />);
  await userEvent.click(screen.getByRole('button', { name: 'Show chosen tracks as curves' }));
  const curves = screen.getByRole('img', { name: 'Curves over time' });
  expect(curves.querySelectorAll('polyline')).toHaveLength(3);
  expect(screen.getByText('Key, Position X')).toBeInTheDocument();
  const knob = screen.getAllByRole('button', { name: 'Key, Position X: key at frame 48' })[0]!;
  fireEvent.pointerDown(knob, { clientX: 0, clientY: 0 });
  fireEvent.pointerUp(window);
});

test('a field says whether it is keyed, and keys what it shows', async () => {
  const field = (
    <NumberOf
      label="Level"
      edit="Level of Key"
      read={(d) => d.lights[0]!.levelStops}
      write={(_, value) => [{ op: 'replace', path: '/lights/0/levelStops', value }]}
      quantity={quantities.stops}
    />
  );
  useTime.setState({ frame: 24 });
  shown([level], field);
  const mark = screen.getByRole('button', { name: 'Level: between keys: a click sets one' });
  await userEvent.click(mark);
  expect(kept()[0]!.keys.map((k) => [k.seconds, k.value])).toEqual([
    [0.5, 0],
    [1, 1],
    [2, 4],
  ]);
});

test('the top says the time of a shoot that moves, and that keys are recorded', async () => {
  shown([level], <MotionTray />);
  await userEvent.click(screen.getByRole('button', { name: 'Record keys of all that is changed' }));
  shown([level], <TimeChip />);
  expect(screen.getByRole('button', { name: 'Frame 1 of 72, recording keys' })).toBeInTheDocument();
});

test('the transport goes from key to key', () => {
  const motion = { ...atRest, tracks: [level] };
  expect(nextKey(motion, 20, 1)).toBe(48);
  expect(nextKey(motion, 20, -1)).toBe(12);
  expect(nextKey(motion, 50, 1)).toBe(72);
  shown([level], <MotionTray />);
  const tray = within(screen.getByRole('slider', { name: 'Time' }).parentElement!);
  expect(tray.getByRole('slider')).toHaveAttribute('aria-valuemax', '72');
});

test('a value is linked to another, and let go', async () => {
  shown([], <Links />);
  await userEvent.click(screen.getByRole('button', { name: 'Value that follows' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Key' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Level' }));
  await userEvent.click(screen.getByRole('button', { name: 'Value that leads' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Wide' }));
  await userEvent.click(screen.getByRole('menuitem', { name: 'Focal length' }));
  expect(keep.mock.lastCall).toEqual([
    'Link',
    [
      {
        op: 'replace',
        path: '/motion/links',
        value: [
          { place: 'lights/key/levelStops', from: 'shots/s/focalLengthMm', factor: 1, offset: 0 },
        ],
      },
    ],
  ]);
});
