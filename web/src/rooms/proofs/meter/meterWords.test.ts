import { expect, test } from 'vitest';
import type { ShootDocument, Target } from '../../../api/document';
import {
  amountText,
  castText,
  fadersOf,
  obstacleText,
  outcomeState,
  rangesOf,
  ratioText,
  readingText,
  stopsText,
  targetText,
} from './meterWords';

const pins = [
  { id: 'a', name: 'Base' },
  { id: 'b', name: 'Paper' },
] as never;

const document = {
  lights: [
    { id: 'key', name: 'Key', muted: false, mirror: null },
    { id: 'left', name: 'Left', muted: false, mirror: { of: 'key' } },
    { id: 'off', name: 'Off', muted: true, mirror: null },
  ],
  banks: [{ id: 'w', name: 'Windows' }],
  meter: {
    pins,
    targets: [{ id: 't', kind: 'mean', pin: null, other: null, stops: -1, weight: 1 }],
    faders: [],
  },
} as unknown as ShootDocument;

const target = (part: Partial<Target>): Target => ({
  id: 't',
  kind: 'stops',
  pin: 'a',
  other: null,
  stops: 1,
  weight: 1,
  ...part,
});

test('stops, amounts and ratios are said as a meter says them', () => {
  expect(stopsText(1.254)).toBe('+1.25 st');
  expect(stopsText(-0.5)).toBe('−0.50 st');
  expect(stopsText(0.001)).toBe('0.00 st');
  expect(stopsText(null)).toBe('black');
  expect(amountText(406.4, 'cd/m²')).toBe('406 cd/m²');
  expect(amountText(1.574, 'lx')).toBe('1.57 lx');
  expect(amountText(32_100, 'lx')).toBe('32.1 klx');
  expect(amountText(0, 'lx')).toBe('0 lx');
  expect(ratioText(4)).toBe('4.0:1');
  expect(ratioText(0.5)).toBe('1:2.0');
  expect(ratioText(16.4)).toBe('16:1');
});

test('a cast is warm or cool, green or magenta', () => {
  expect(castText(0.01, -0.02)).toBe('neutral');
  expect(castText(0.8, -0.8)).toBe('0.80 st warm');
  expect(castText(-0.3, 0.3)).toBe('0.30 st cool');
  expect(castText(0.5, 0.5)).toBe('0.50 st magenta');
  expect(castText(0.2, -0.6)).toBe('0.40 st warm, 0.20 st green');
  expect(castText(null, null)).toBe('');
});

test('targets say what they want, and what they read', () => {
  expect(targetText(target({}), pins)).toBe('Base at +1.00 st');
  const ratio = target({ kind: 'ratio', other: 'b', stops: 2 });
  expect(targetText(ratio, pins)).toBe('Base to Paper as 4.0:1');
  expect(readingText(ratio, -1)).toBe('1:2.0');
  expect(targetText(target({ kind: 'ceiling', pin: null, stops: 4 }), pins)).toBe(
    'Nothing above +4.00 st',
  );
  expect(targetText(target({ kind: 'mean', pin: null, stops: 0 }), pins)).toBe(
    'Mean of the picture at 0.00 st',
  );
  expect(targetText(target({ kind: 'neutral' }), pins)).toBe('Base neutral');
  expect(readingText(target({ kind: 'neutral' }), 0.3)).toBe('0.30 st off');
  expect(targetText(target({ pin: 'gone' }), pins)).toBe('a pin that is gone at +1.00 st');
});

test('faders are lights with their mirror images, banks and the master', () => {
  expect(fadersOf(document).map((f) => f.name)).toEqual([
    'Key and Left',
    'Off',
    'Bank Windows',
    'Master',
  ]);
  // While none is named, those of all lights that are not muted.
  expect(rangesOf(document).map((r) => r.place)).toEqual(['lights/key/levelStops']);
  const some = [{ place: 'masterStops' }] as never;
  expect(rangesOf({ ...document, meter: { ...document.meter, faders: some } })).toBe(some);
});

test('what stands in the way is named', () => {
  expect(obstacleText(document, { kind: 'LIMIT', what: 'lights/key/levelStops', share: 0 })).toBe(
    'at the end of its range: Key and Left',
  );
  expect(obstacleText(document, { kind: 'CONFLICT', what: 't', share: 0 })).toBe(
    'against “Mean of the picture at −1.00 st”',
  );
  expect(obstacleText(document, { kind: 'FIXED', what: 'off', share: 0.416 })).toBe(
    'Off gives 42 % and may not move',
  );
});

test('an outcome is met, nearer or not nearer', () => {
  const of = (before: number, after: number, met = false) =>
    ({ target: 't', before, after, met, obstacles: [] }) as never;
  expect(outcomeState(target({}), of(3, 1, true))).toBe('met');
  expect(outcomeState(target({}), of(3, 2))).toBe('nearer');
  expect(outcomeState(target({}), of(3, 3))).toBe('not nearer');
  expect(outcomeState(target({ kind: 'ceiling', pin: null }), of(3, 2))).toBe('nearer');
  expect(outcomeState(target({ kind: 'neutral' }), of(0.5, 0.2))).toBe('nearer');
});
