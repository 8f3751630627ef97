import { describe, expect, it } from 'vitest';
import { formatStops, parseQuantity, quantities, stepped, type Quantity } from './quantity';

const lumen: Quantity = {
  unit: 'lm',
  least: 0,
  most: 1e9,
  step: 1,
  digits: 0,
  relative: true,
};

describe('typed numbers', () => {
  it.each([
    ['1.2 klm', lumen, 1200],
    ['800', lumen, 800],
    ['3k', lumen, 3000],
    ['5600 K', quantities.kelvin, 5600],
    ['5.6 kK', quantities.kelvin, 5600],
    ['-1/3', quantities.stops, -1 / 3],
    ['+1 1/3', quantities.stops, 4 / 3],
    ['−⅔', quantities.stops, -2 / 3],
    ['30 cm', quantities.metres, 0.3],
    ['45 mm', quantities.metres, 0.045],
    ['45%', quantities.share, 0.45],
    ['1,5', quantities.metres, 1.5],
  ])('reads %s', (text, quantity, value) => {
    expect(parseQuantity(text, quantity)).toBeCloseTo(value, 9);
  });

  it.each(['', 'bright', '1.2 kg', '1/0', '12 34'])('refuses "%s"', (text) => {
    expect(parseQuantity(text, lumen)).toBeNull();
  });

  it.each([
    [0, '0'],
    [1 / 3, '+⅓'],
    [-4 / 3, '−1⅓'],
    [2, '+2'],
    [-0.5, '−0.50'],
    [1.999999, '+2'],
  ])('shows %d stops as %s', (value, text) => {
    expect(formatStops(value)).toBe(text);
  });

  it('keeps steps within the range', () => {
    expect(stepped(9.9, 3, quantities.stops, false)).toBe(10);
    expect(stepped(100, 1, lumen, false)).toBeCloseTo(105);
  });
});
