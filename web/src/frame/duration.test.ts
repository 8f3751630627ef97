import { expect, test } from 'vitest';
import { duration } from './duration';

test('seconds are told as one reads them', () => {
  expect(duration(0.2)).toBe('1 s');
  expect(duration(99)).toBe('99 s');
  expect(duration(1740)).toBe('29 min');
  expect(duration(8000)).toBe('2 h');
});
