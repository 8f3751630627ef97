import { expect, it } from 'vitest';
import { improbable, said } from './sizes';

it('says lengths as they are read off a rule', () => {
  expect([12.3456, 0.4567, 0.01, 0.0042, 0].map(said)).toEqual([
    '12.3 m',
    '45.7 cm',
    '1.00 cm',
    '4.2 mm',
    '0.0 mm',
  ]);
});

it('doubts a set made a thousand times too large or small', () => {
  expect(improbable([1200, 3, 3])).toContain('0.001');
  expect(improbable([0.001, 0.0005, 0])).toContain('1000');
  expect(improbable([30, 2, 0])).toBeNull();
});
