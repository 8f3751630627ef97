import { expect, test } from 'vitest';
import { quantities } from './quantity';
import { withRange } from './withRange';

test('a field is shown as told and kept within what the document allows', () => {
  const cone = withRange(quantities.degrees, 'emitter.spot', 'coneDegrees');
  expect(cone).toMatchObject({ unit: '°', step: 1, least: 0.1, most: 175 });
});

test('of three numbers each has the range, and 0 is possible beside one where it is said', () => {
  expect(withRange(quantities.metres, 'piece', 'scale')).toMatchObject({
    least: -10000,
    most: 10000,
  });
  expect(withRange(quantities.level, 'material', 'abbe')).toMatchObject({ least: 0, most: 100 });
});
