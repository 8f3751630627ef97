import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { onNextPicture, cancelNextPicture } from './nextPicture';
import { useLive } from './store';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.runAllTimers();
  vi.useRealTimers();
});

const picture = () => useLive.setState({ image: {} as ImageData });

test('waits for a picture, and is done once for many askings', () => {
  const done = vi.fn();
  onNextPicture(done);
  onNextPicture(done);
  useLive.setState({ handMillis: 3 });
  expect(done).not.toHaveBeenCalled();
  picture();
  picture();
  expect(done).toHaveBeenCalledTimes(1);
});

test('is done without a picture after a moment, and not again with the next', () => {
  const done = vi.fn();
  onNextPicture(done);
  vi.advanceTimersByTime(79);
  expect(done).not.toHaveBeenCalled();
  vi.advanceTimersByTime(1);
  expect(done).toHaveBeenCalledTimes(1);
  picture();
  expect(done).toHaveBeenCalledTimes(1);
});

test('what was left out is not done', () => {
  const done = vi.fn();
  const other = vi.fn();
  onNextPicture(done);
  onNextPicture(other);
  cancelNextPicture(done);
  picture();
  expect(done).not.toHaveBeenCalled();
  expect(other).toHaveBeenCalledTimes(1);
});

test('what asks again while it is done comes along with the next picture', () => {
  let times = 0;
  const again = () => {
    times++;
    if (times < 2) onNextPicture(again);
  };
  onNextPicture(again);
  picture();
  expect(times).toBe(1);
  picture();
  expect(times).toBe(2);
});
