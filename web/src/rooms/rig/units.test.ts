import { describe, expect, it } from 'vitest';
import { brightnessQuantity, shownUnit, unitsOf } from './units';

describe('units of lamps', () => {
  it('a sun is said in lux and a sky in times of what is computed', () => {
    expect(unitsOf({ kind: 'sun', sizeDegrees: 0.5 })).toEqual(['lx']);
    expect(unitsOf({ kind: 'sky-sun', sky: 's', sizeDegrees: 0.5 })).toEqual(['x']);
  });

  it('a point has no face, so no luminance', () => {
    expect(unitsOf({ kind: 'point', profile: null })).not.toContain('cd/m2');
    expect(unitsOf({ kind: 'sphere', radius: 1 })).toContain('cd/m2');
  });

  it('shows the square as one sign', () => {
    expect(shownUnit('cd/m2')).toBe('cd/m²');
    expect(brightnessQuantity('x').unit).toBe('times');
  });
});
