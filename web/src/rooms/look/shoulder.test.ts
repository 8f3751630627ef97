import { describe, expect, it } from 'vitest';
import { shoulder } from './shoulder';

describe('the highlight shoulder', () => {
  const look = { shoulderStart: 0.5, shoulderStops: 3 };

  it('leaves what lies below its start alone and joins there with slope 1', () => {
    expect(shoulder(0.3, look)).toBe(0.3);
    expect((shoulder(0.5001, look) - 0.5) / 0.0001).toBeCloseTo(1, 2);
  });

  it('reaches white just where it says, and never falls', () => {
    expect(shoulder(8, look)).toBeCloseTo(1, 9);
    let before = 0;
    for (let x = 0; x < 12; x += 0.01) {
      const y = shoulder(x, look);
      expect(y).toBeGreaterThanOrEqual(before);
      before = y;
    }
  });

  it('clips hard when it begins at 1', () => {
    expect(shoulder(1.5, { shoulderStart: 1, shoulderStops: 3 })).toBe(1);
  });
});
