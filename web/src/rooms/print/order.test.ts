import { expect, test } from 'vitest';
import type { PrintJob } from '../../api/document';
import { cleanOf, leftOf, stateOf } from './jobWords';
import {
  bytesOf,
  goalOf,
  goalValue,
  toggled,
  usualOrder,
  withFormat,
  withGoal,
  withPass,
} from './order';

const order = usualOrder('front');

test('an order goes by noise, samples or time, and by one alone', () => {
  expect(goalOf(order)).toBe('noise');
  const samples = { ...order, ...withGoal('samples', 64.4) };
  expect(goalOf(samples)).toBe('samples');
  expect(samples).toMatchObject({ samples: 64, noisePercent: 0, minutes: 0 });
  const time = { ...samples, ...withGoal('minutes', 5) };
  expect(goalOf(time)).toBe('minutes');
  expect(goalValue(time)).toBe(5);
  expect(time.samples).toBeGreaterThan(10_000);
});

test('passes bring OpenEXR with them, and go with it', () => {
  const passes = withPass(order, 'depth');
  expect(passes.formats).toEqual(['png', 'exr']);
  expect(passes.passes).toEqual(['depth']);
  expect(withFormat(passes, 'exr').passes).toEqual([]);
  expect(withPass(passes, 'depth').passes).toEqual([]);
});

test('one format stays', () => {
  expect(withFormat(order, 'png')).toEqual(order);
  expect(withFormat(order, 'tiff').formats).toEqual(['png', 'tiff']);
});

test('things are put in and taken out', () => {
  expect(toggled(['a'], 'b')).toEqual(['a', 'b']);
  expect(toggled(['a', 'b'], 'a')).toEqual(['b']);
});

test('bytes are told in steps that one reads', () => {
  expect(bytesOf(1200)).toBe('2 kB');
  expect(bytesOf(52_000_000)).toBe('52 MB');
  expect(bytesOf(2_340_000_000)).toBe('2.3 GB');
});

const job: PrintJob = {
  id: 3,
  shoot: 'armillary',
  shootName: 'Armillary',
  shotName: 'Front',
  order,
  state: 'printing',
  place: 1,
  created: '2026-03-04T10:00:00Z',
  ended: null,
  done: 0.4,
  samples: 12.4,
  noisePercent: 6.21,
  tracedSeconds: 90,
  secondsLeft: 120,
  factor: 1.5,
  doing: null,
  detail: null,
  files: [],
  filmBytes: 1000,
  picture: 2,
};

test('a job says what it does, how clean it is, and when it will be done, with how far that may be off', () => {
  expect(stateOf(job)).toBe('Printing');
  expect(stateOf({ ...job, doing: 'writing files' })).toBe('Printing: writing files');
  expect(stateOf({ ...job, state: 'failed', detail: 'There was not enough memory.' })).toBe(
    'Failed: There was not enough memory.',
  );
  expect(cleanOf(job)).toBe('12 spp, 6.2 % noise to 3 %');
  expect(
    cleanOf({ ...job, noisePercent: null, order: { ...order, ...withGoal('samples', 64) } }),
  ).toBe('12 of 64 spp');
  expect(leftOf(job)).toBe('2 min left (80 s to 3 min)');
  expect(leftOf({ ...job, state: 'paused' })).toBe('');
});
