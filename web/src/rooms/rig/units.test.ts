import { describe, expect, it } from 'vitest';
import type { Light, Shot } from '../../api/document';
import { testShot } from '../../picture/testShot';
import { newLight } from '../../desk/newLight';
import { converted } from './units';

const shot = { ...testShot, place: [0, 1, 3], aim: [0, 0, 0] } satisfies Shot;
const document = {
  format: 'level-ember-shoot',
  version: 1,
  name: 'T',
  masterStops: 0,
  pieces: [],
  materials: [],
  lights: [],
  shots: [],
  looks: [],
};
const light = (emitter: Light['emitter'], value: number, unit: Light['brightness']['unit']) => ({
  ...newLight('point', document, { ...shot, place: [...shot.place], aim: [...shot.aim] }),
  emitter,
  brightness: { value, unit },
});

describe('a brightness said in another unit', () => {
  it('knows that a Lambertian face emits pi times area times luminance', () => {
    const panel = { kind: 'rectangle', width: 2, height: 0.5, twoSided: false } as const;
    expect(converted(light(panel, 100, 'cd/m2'), 'lm')).toBeCloseTo(314.159, 2);
    expect(converted(light(panel, 100, 'cd/m2'), 'cd')).toBeCloseTo(100, 6);
  });

  it('knows that a point of 4 pi lumens has one candela', () => {
    expect(converted(light({ kind: 'point' }, 4 * Math.PI, 'lm'), 'cd')).toBeCloseTo(1, 5);
  });

  it('goes there and back', () => {
    const bulb = light({ kind: 'sphere', radius: 0.05 }, 800, 'lm');
    const there = converted(bulb, 'W');
    expect(there).toBeCloseTo(8, 6);
    expect(converted({ ...bulb, brightness: { value: there, unit: 'W' } }, 'lm')).toBeCloseTo(
      800,
      3,
    );
  });
});
