import { expect, test } from 'vitest';
import type { Material, Visibility } from '../api/document';
import { newLight } from './newLight';
import { defaultsOf } from './defaults';

test('a material that says nothing has every field of the document', () => {
  const material = defaultsOf<Material>('material');
  expect(material).toMatchObject({ roughness: 0.5, ior: 1.5, coat: { amount: 0, ior: 1.5 } });
  expect(material.maps).toMatchObject({ bump: null, normalStrength: 1 });
});

test('usual values are made anew each time, as they go into documents', () => {
  const one = defaultsOf<Visibility>('visibility');
  one.reflectedIn.pieces.push('a');
  expect(defaultsOf<Visibility>('visibility').reflectedIn).toEqual({ only: false, pieces: [] });
});

test('a new light has what the document gives it, and its own beside', () => {
  const shot = { position: [0, 1, 4], aim: [0, 0, 0] } as never;
  const light = newLight('spot', { lights: [] } as never, shot);
  expect(light.emitter).toMatchObject({ kind: 'spot', coneDegrees: 40, gobo: null, doors: null });
  expect(light).toMatchObject({
    id: 'spot',
    castsCaustics: 'automatic',
    lightLinking: { only: false, pieces: [] },
    brightness: { value: 3000, unit: 'cd', efficacy: 100 },
    colour: { kelvin: 5600, tint: 0, filter: [1, 1, 1] },
    mirror: null,
  });
});
