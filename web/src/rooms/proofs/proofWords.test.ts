import { expect, test } from 'vitest';
import type { Proof, ProofChange, ShootDocument } from '../../api/document';
import { changeWords, cleanOf, takenAt } from './proofWords';

const document = {
  lights: [{ id: 'key', name: 'Key softbox' }],
  pieces: [{ id: 'ball', name: 'Ball' }],
} as unknown as ShootDocument;

const change = (place: string, now: unknown, other: unknown): ProofChange => ({
  place,
  now,
  other,
  operations: [],
});

test('a change is said in the words of the page, with both values', () => {
  expect(changeWords(document, change('lights/key/levelStops', 1, -1 / 3))).toEqual({
    what: 'Key softbox: Level',
    now: '+1 st',
    then: '−⅓ st',
  });
  expect(changeWords(document, change('lights/key/muted', true, false))).toMatchObject({
    what: 'Key softbox: Mute',
    now: 'on',
    then: 'off',
  });
  expect(changeWords(document, change('pieces/ball/position', [0, 1, 0], [0, 0.25, 0]))).toEqual({
    what: 'Ball: Position',
    now: '0 1 0',
    then: '0 0.25 0',
  });
  expect(
    changeWords(document, change('lights/key/emitter', { kind: 'disc' }, { kind: 'spot' })),
  ).toMatchObject({ now: 'disc', then: 'spot' });
  expect(changeWords(document, change('motion/tracks', [{}, {}], []))).toMatchObject({
    now: '2 of them',
  });
});

test('an entry that only one state has is said to be there or not', () => {
  expect(changeWords(document, change('lights/rim', { name: 'Rim' }, null))).toEqual({
    what: 'Light Rim',
    now: 'there',
    then: 'not there',
  });
  expect(changeWords(document, change('looks/late', null, { name: 'Late' }))).toMatchObject({
    what: 'Look Late',
    then: 'there',
  });
});

test('noise and time are said as far as they are known', () => {
  const proof = { samples: 12.4, noisePercent: 3.456 } as Proof;
  expect(cleanOf(proof)).toBe('12 spp, 3.5 % noise');
  expect(cleanOf({ ...proof, samples: 0, noisePercent: null })).toBe('coarse');
  const created = '2031-05-04T10:20:00';
  expect(takenAt({ created } as Proof, new Date('2031-05-04T12:00:00'))).toBe('10:20');
  expect(takenAt({ created } as Proof, new Date('2031-05-05T12:00:00'))).toBe('4 May, 10:20');
});
