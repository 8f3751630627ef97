import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Operation } from '../api/document';
import { PreviewedEdits } from './previewedEdits';

const set = (value: number): Operation[] => [{ op: 'replace', path: '/looks/0/ev', value }];

let gone: [unknown, number][];
let tries: PreviewedEdits<Operation[]>;

beforeEach(() => {
  vi.useFakeTimers();
  gone = [];
  tries = new PreviewedEdits<Operation[]>((operations, mark) =>
    gone.push([operations[0]!.value, mark]),
  );
});
afterEach(() => {
  vi.useRealTimers();
});

test('two go at once; of the rest the newest, when an answer comes', () => {
  for (let v = 1; v <= 5; v++) tries.add(set(v));
  expect(gone).toEqual([
    [1, 1],
    [2, 2],
  ]);
  tries.answered(1);
  expect(gone.slice(2)).toEqual([[5, 5]]);
  tries.answered(2);
  expect(gone).toHaveLength(3);
});

test('an answer to a later one answers those before it', () => {
  tries.add(set(1));
  tries.add(set(2));
  tries.add(set(3));
  vi.advanceTimersByTime(20);
  expect(tries.answered(2)).toBe(performance.now() - 20);
  expect(tries.answered(1)).toBeUndefined();
  expect(gone.at(-1)).toEqual([3, 3]);
  tries.add(set(4));
  expect(gone.at(-1)).toEqual([4, 4]);
});

test('what is never answered holds up the next for a moment only', () => {
  for (let v = 1; v <= 4; v++) tries.add(set(v));
  vi.advanceTimersByTime(149);
  expect(gone).toHaveLength(2);
  tries.add(set(5));
  vi.advanceTimersByTime(1);
  expect(gone.slice(2)).toEqual([[5, 5]]);
});

test('what was dropped does not go, and the next goes at once', () => {
  for (let v = 1; v <= 3; v++) tries.add(set(v));
  tries.drop();
  vi.advanceTimersByTime(500);
  expect(gone).toHaveLength(2);
  tries.add(set(9));
  expect(gone.at(-1)).toEqual([9, 4]);
  expect(tries.answered(2)).toBe(performance.now() - 500);
});
