import { expect, test } from 'vitest';
import { plural } from './plural';

test('one of a thing has no s', () => {
  expect([0, 1, 2].map((n) => plural(n, 'pin'))).toEqual(['0 pins', '1 pin', '2 pins']);
});
