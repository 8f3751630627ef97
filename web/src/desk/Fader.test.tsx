import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { Fader } from './Fader';

const onTry = vi.fn();
const onKeep = vi.fn();

function shown(value: number) {
  render(<Fader name="Key" value={value} onTry={onTry} onKeep={onKeep} />);
  const fader = screen.getByRole('slider', { name: 'Key level' });
  // jsdom lays nothing out and captures no pointer.
  Object.defineProperty(fader, 'clientHeight', { value: 212 });
  fader.setPointerCapture = () => undefined;
  return fader;
}

afterEach(() => {
  onTry.mockClear();
  onKeep.mockClear();
  vi.useRealTimers();
});

test('it says its level in stops', () => {
  const fader = shown(-1.333);
  expect(fader).toHaveAttribute('aria-valuenow', '-1.33');
  expect(fader).toHaveAttribute('aria-valuetext', expect.stringMatching(/1[.⅓]?.*stops$/));
});

test('arrow keys go by a third, pages by a whole stop, and Home to 0', async () => {
  const fader = shown(1);
  fader.focus();
  await userEvent.keyboard('{ArrowUp}');
  expect(onTry).toHaveBeenLastCalledWith(expect.closeTo(4 / 3, 6));
  await userEvent.keyboard('{ArrowDown}');
  expect(onTry).toHaveBeenLastCalledWith(expect.closeTo(2 / 3, 6));
  await userEvent.keyboard('{PageUp}');
  expect(onTry).toHaveBeenLastCalledWith(2);
  await userEvent.keyboard('{Home}');
  expect(onTry).toHaveBeenLastCalledWith(0);
  expect(onKeep).toHaveBeenCalledTimes(4);
});

test('drawn up it is louder, tried on the way and kept once at the end', () => {
  const fader = shown(0);
  fireEvent.pointerDown(fader, { button: 0, pointerId: 1, clientY: 100 });
  fireEvent.pointerMove(fader, { pointerId: 1, clientY: 80 });
  fireEvent.pointerMove(fader, { pointerId: 1, clientY: 60 });
  const tried = onTry.mock.calls.map((c) => c[0] as number);
  expect(tried.length).toBeGreaterThan(0);
  expect(Math.min(...tried)).toBeGreaterThan(0);
  for (const stops of tried) expect(stops * 3).toBeCloseTo(Math.round(stops * 3), 6);
  expect(onKeep).not.toHaveBeenCalled();
  fireEvent.pointerUp(fader, { pointerId: 1 });
  expect(onKeep).toHaveBeenCalledTimes(1);
});

test('a click that moves nothing keeps nothing, and a double click goes to 0', () => {
  const fader = shown(2);
  fireEvent.pointerDown(fader, { button: 0, pointerId: 1, clientY: 100 });
  fireEvent.pointerUp(fader, { pointerId: 1 });
  expect(onKeep).not.toHaveBeenCalled();
  fireEvent.doubleClick(fader);
  expect(onTry).toHaveBeenLastCalledWith(0);
  expect(onKeep).toHaveBeenCalledTimes(1);
});

test('turns of the wheel add up and are kept when it rests', () => {
  vi.useFakeTimers();
  const fader = shown(0);
  fireEvent.wheel(fader, { deltaY: -100 });
  fireEvent.wheel(fader, { deltaY: -100 });
  expect(onTry).toHaveBeenLastCalledWith(expect.closeTo(2 / 3, 6));
  expect(onKeep).not.toHaveBeenCalled();
  vi.advanceTimersByTime(500);
  expect(onKeep).toHaveBeenCalledTimes(1);
});
