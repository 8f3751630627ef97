import { expect, test, vi } from 'vitest';
import { MOST_FRAMES, nearest, outdated, wantedNext, withFrame, type DraftFrame } from './frames';

const picture = () => ({ close: vi.fn() }) as unknown as ImageBitmap;
const fresh = (...frames: number[]) =>
  new Map<number, DraftFrame>(frames.map((f) => [f, { picture: picture(), fresh: true }]));
const none = new Set<number>();

test('at rest the frame that is shown comes first, then every eighth, then those between', () => {
  const range = { first: 1, last: 20, at: 5, playing: false };
  let drafts = fresh();
  const order: number[] = [];
  for (let i = 0; i < 20; i++) {
    const next = wantedNext(drafts, none, range)!;
    order.push(next);
    drafts = withFrame(drafts, next, picture()) as Map<number, DraftFrame>;
  }
  expect(order.slice(0, 4)).toEqual([5, 9, 17, 1]);
  expect(new Set(order).size).toBe(20);
  expect(wantedNext(drafts, none, range)).toBeNull();
});

test('while it plays frames come in their order, round the end', () => {
  const range = { first: 1, last: 4, at: 3, playing: true };
  expect(wantedNext(fresh(), none, range)).toBe(3);
  expect(wantedNext(fresh(3), new Set([4]), range)).toBe(1);
});

test('frames of before a change are wanted again, and shown until then', () => {
  const drafts = outdated(fresh(1, 2));
  expect(drafts.get(1)!.fresh).toBe(false);
  const range = { first: 1, last: 2, at: 1, playing: false };
  expect(wantedNext(drafts, none, range)).toBe(1);
  const before = drafts.get(1)!.picture;
  const next = withFrame(drafts, 1, picture());
  expect(before.close).toHaveBeenCalled();
  expect(next.get(1)!.fresh).toBe(true);
});

test('the nearest fresh frame is found within a few', () => {
  expect(nearest(fresh(9, 17), 11, 4)).toBe(9);
  expect(nearest(fresh(9, 17), 13, 3)).toBeNull();
  expect(nearest(outdated(fresh(9)), 9, 4)).toBeNull();
});

test('of too many frames the farthest goes', () => {
  let drafts: ReadonlyMap<number, DraftFrame> = new Map();
  for (let f = 1; f <= MOST_FRAMES + 3; f++) drafts = withFrame(drafts, f, picture());
  expect(drafts.size).toBe(MOST_FRAMES);
  expect(drafts.has(1)).toBe(false);
  expect(drafts.has(MOST_FRAMES + 3)).toBe(true);
});
