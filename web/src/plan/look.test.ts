import { describe, expect, it } from 'vitest';
import type { Vector } from '../api/document';
import { barMetres, fitted, inSpace, onPlan } from './look';

describe('plan', () => {
  it('a step on the plan is the step in the world that shows as it', () => {
    for (const from of ['top', 'side', 'front'] as const) {
      const step = inSpace(from, 0.3, -0.7);
      const shown = onPlan(from, step);
      expect(shown[0]).toBeCloseTo(0.3);
      expect(shown[1]).toBeCloseTo(-0.7);
    }
  });

  it('from the right, what is in front of the set lies to the left', () => {
    const near: Vector = [0, 1, 2];
    expect(onPlan('side', near)).toEqual([-2, -1]);
  });

  it('fits everything', () => {
    const w = fitted(
      [
        [-2, 0],
        [4, 3],
      ],
      600,
      400,
    );
    expect(w.x).toBe(1);
    expect((4 - w.x) * w.scale).toBeLessThan(300);
    expect((3 - w.y) * w.scale).toBeLessThan(200);
  });

  it('the bar is a round length', () => {
    expect(barMetres(60, 100)).toBe(1);
    expect(barMetres(10, 100)).toBe(10);
    expect(barMetres(400, 100)).toBeCloseTo(0.2);
  });
});
