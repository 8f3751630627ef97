import { describe, expect, it } from 'vitest';
import { planes } from './polar';

describe('polar plot', () => {
  it('a round lamp looks the same in both planes and from both sides', () => {
    const round = { name: 'r', polar: [0, 45, 90], around: [0], candela: [100, 60, 0] };
    const [along, across] = planes(round);
    expect(along).toEqual(across);
    expect(along.map(([a]) => a + 0)).toEqual([-90, -45, 0, 0, 45, 90]);
    expect(along.map(([, c]) => c)).toEqual([0, 60, 100, 100, 60, 0]);
  });

  it('takes the half plane of its own side', () => {
    const lopsided = { name: 'l', polar: [0, 90], around: [0, 180], candela: [9, 5, 9, 1] };
    const [along] = planes(lopsided);
    expect(along.map(([, c]) => c)).toEqual([1, 9, 9, 5]);
  });
});
