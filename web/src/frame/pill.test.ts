import { expect, test } from 'vitest';
import { cleanIn } from './TopBar';

test('a picture that can be judged is clean, whether it is traced on or not', () => {
  expect(cleanIn(0, true)).toBe('clean');
  expect(cleanIn(0, false)).toBe('clean');
});

test('before, the time is told while it is traced', () => {
  expect(cleanIn(12.4, true)).toBe('clean in 13 s');
  expect(cleanIn(12.4, false)).toBe('');
  expect(cleanIn(null, true)).toBe('');
});
