import { expect, test } from 'vitest';
import { arrowStep } from './arrows';

test('arrow keys step to the right and upwards', () => {
  expect(arrowStep('ArrowRight')).toEqual([1, 0]);
  expect(arrowStep('ArrowUp')).toEqual([0, 1]);
  expect(arrowStep('ArrowDown')).toEqual([0, -1]);
  expect(arrowStep('Enter')).toBeNull();
});
