import { expect, test } from 'vitest';
import { freeTitle } from './freeTitle';

test('a new shoot gets a name that none has yet', () => {
  expect(freeTitle([])).toBe('New shoot');
  expect(freeTitle([{ name: 'Armillary' }, { name: 'New shoot' }])).toBe('New shoot 2');
  expect(freeTitle([{ name: 'New shoot' }, { name: 'New shoot 2' }])).toBe('New shoot 3');
});
