import { expect, test } from 'vitest';
import type { LiveCaustics } from '../../api/client';
import { amount, reasons, stepText } from './causticReasons';

const well: LiveCaustics = {
  share: 0.2,
  ofPicture: 0.004,
  drownedBy: 'fill',
  drownedStops: 1.2,
  thrownBy: 'Lens',
  penumbra: 0.01,
  survey: {
    casters: 2,
    lit: true,
    deposited: 0.7,
    escaped: 0.2,
    absorbed: 0.1,
    reflectance: 0.4,
    metres: 0.6,
    angularDiameter: 0.02,
    pattern: 0.3,
    piece: 0,
    focus: null,
  },
};
const names = { fill: 'Wide fill', beam: 'Beam' };
const of = (c: LiveCaustics) => reasons(c, 'beam', names);
const survey = (part: Partial<LiveCaustics['survey']>) => ({
  ...well,
  survey: { ...well.survey, ...part },
});

test('where nothing stands against them there is nothing to say', () => {
  expect(of(well)).toEqual([]);
  expect(amount(well)).toBe(
    '20 % of its light in the picture, 0.4 % of all light, most thrown by Lens.',
  );
});

test('what keeps them away altogether is said alone', () => {
  expect(of(survey({ casters: 0, lit: false }))).toEqual([
    'No piece is glass, water or metal up to a roughness of 0.25.',
  ]);
  expect(of(survey({ lit: false }))).toHaveLength(1);
  expect(of(survey({ lit: false }))[0]).toMatch(/^None of its light reaches glass/);
  expect(of(survey({ deposited: 0, escaped: 1 }))[0]).toMatch(/^Nothing lies where glass/);
});

test('each reason has its numbers', () => {
  expect(of(survey({ escaped: 0.83 }))[0]).toMatch(/^83 % of what glass and mirrors throw/);
  expect(of(survey({ absorbed: 0.97 }))[0]).toMatch(/^Tinted glass takes 97 % of it/);
  expect(of(survey({ reflectance: 0.042 }))[0]).toMatch(/^It falls on what reflects 4.2 %/);
  expect(of({ ...survey({ angularDiameter: 0.35 }), penumbra: 0.21 })[0]).toBe(
    'The light looks 20° wide from there, so its edges are 21 cm soft on a pattern 30 cm ' +
      'across: a smaller light, or one farther off, draws them.',
  );
  expect(of({ ...well, drownedStops: 4.24 })).toEqual([
    'Wide fill is 4.2 stops brighter where they fall.',
  ]);
  expect(of({ ...well, drownedBy: 'beam', drownedStops: 3.5 })).toEqual([
    'Its own direct light is 3.5 stops brighter where they fall.',
  ]);
  expect(of({ ...well, share: 0 })).toEqual(['It falls where the camera does not look.']);
  expect(amount({ ...well, share: 0 })).toBe('None of them are in the picture.');
});

test('water says where its waves bundle light', () => {
  expect(of(survey({ focus: { depth: 0.05, focalLength: 0.06 } }))).toEqual([]);
  expect(of(survey({ focus: { depth: 0.05, focalLength: 1.1 } }))).toEqual([
    'Its waves bundle light 1.10 m down, and it falls 5 cm down: higher or shorter waves, or ' +
      'deeper water, draw lines.',
  ]);
  expect(of(survey({ focus: { depth: 2, focalLength: 0.2 } }))[0]).toMatch(/shallower water/);
  expect(of(survey({ focus: { depth: 2, focalLength: 0 } }))).toEqual([
    'The water is still: waves draw lines of light.',
  ]);
});

test('every step of setting up has its words', () => {
  const text = (kind: Parameters<typeof stepText>[0]['kind'], value = 0) =>
    stepText({ kind, name: 'Beam', value });
  expect(text('LIGHT_CASTS')).toBe('Beam casts caustics.');
  expect(text('MATERIAL_CASTS')).toBe('Beam casts caustics.');
  expect(text('LIGHT_ON')).toBe('Beam is no longer muted.');
  expect(text('LEVEL_RAISED')).toBe('Beam has its caustics at level 1; they were at 0.');
  expect(text('LIGHT_ADDED', 1.2)).toBe('Beam: a small spot 1.20 m off, behind the piece.');
  expect(text('MATERIAL_SMOOTHED', 0.5)).toBe('Beam has a roughness of 0.1; it was 0.50.');
  expect(text('PIECE_SHOWN')).toBe('Beam shows to all light.');
  expect(text('BOUNCES_RAISED', 2)).toBe('Light meets up to 8 surfaces; it was 2.');
  expect(text('NOT_SMOOTH')).toMatch(/^Beam is neither glass nor metal/);
  expect(text('NO_SMOOTH_PIECE')).toMatch(/^No piece that it lights/);
});
