import { describe, expect, it } from 'vitest';
import { lightKinds } from '../../desk/lightKinds';
import { brightnessQuantity, shownUnit } from './units';

describe('units of lamps', () => {
  it('a sun is said in lux and a sky in times of what is computed', () => {
    expect(lightKinds.sun.units).toEqual(['lx']);
    expect(lightKinds['sky-sun'].units).toEqual(['x']);
  });

  it('a point has no face, so no luminance', () => {
    expect(lightKinds.point.units).not.toContain('cd/m2');
    expect(lightKinds.sphere.units).toContain('cd/m2');
  });

  it('shows the square as one sign', () => {
    expect(shownUnit('cd/m2')).toBe('cd/m²');
    expect(brightnessQuantity('x').unit).toBe('times');
  });
});
