import { describe, expect, it } from 'vitest';
import { detent, toPlace, toStops } from './fader';

describe('the fader', () => {
  it.each([-10, -3, -1 / 3, 0, 1, 5.5, 10])('finds %d stops again', (stops) => {
    expect(toStops(toPlace(stops))).toBeCloseTo(stops, 9);
  });

  it('gives the stops round zero more room than those at the ends', () => {
    expect(toPlace(1) - toPlace(0)).toBeGreaterThan(3 * (toPlace(10) - toPlace(9)));
  });

  it('rests at thirds and stays within ten stops', () => {
    expect(detent(0.3)).toBeCloseTo(1 / 3, 9);
    expect(detent(10.2)).toBe(10);
    expect(detent(-0.1)).toBeCloseTo(0, 9);
  });
});
