import type { Glow, Grade, Look, Vector } from '../../api/document';

export const noGrade: Grade = {
  on: true,
  amount: 1,
  wheels: { lift: [0, 0, 0], gamma: [1, 1, 1], gain: [1, 1, 1], offset: [0, 0, 0], saturation: 1 },
  curves: { all: [], red: [], green: [], blue: [] },
  lut: null,
  lutAmount: 1,
};

export const noOptics: Look['optics'] = {
  vignette: 0,
  distortion: 0,
  fringing: 0,
  sharpening: 0,
  sharpeningSize: 0.12,
  grain: 0,
  grainSize: 0.25,
};

/** The look with its exposure and shoulder alone. */
export function plain(look: Look): Look {
  return {
    ...look,
    balance: { kelvin: 6504, tint: 0 },
    curve: 'plain',
    blackPoint: 0,
    contrast: 1,
    saturation: 1,
    glows: [],
    optics: noOptics,
    contact: { amount: 0, reach: look.contact.reach },
    plate: { stops: 0, blur: 0 },
    grade: noGrade,
  };
}

const white: Vector = [1, 1, 1];

/** A glow as it begins: a bloom of all that is brighter than white. */
export function newGlow(looks: Glow[]): Glow {
  let number = looks.length + 1;
  while (looks.some((g) => g.id === `glow-${number}`)) number++;
  return {
    id: `glow-${number}`,
    name: number === 1 ? 'Glow' : `Glow ${number}`,
    on: true,
    source: { kind: 'picture', of: [] },
    threshold: 0,
    knee: 1,
    outsideFrame: false,
    bloom: { on: true, level: 0.15, size: 4, colour: white, ownShare: 0 },
    starRays: {
      on: false,
      level: 0.05,
      count: 6,
      rotationDegrees: 15,
      length: 20,
      colour: white,
      ownShare: 0,
    },
    lensFlare: { on: false, level: 0.02, count: 4, spread: 1, colour: white, ownShare: 0 },
  };
}

/** An id for a copy that no look of the shoot has. */
export function freeId(looks: Look[], wanted: string): string {
  const stem = wanted.replace(/-\d+$/, '');
  let number = 2;
  while (looks.some((l) => l.id === `${stem}-${number}`)) number++;
  return `${stem}-${number}`;
}

/** A name for a copy that no look of the shoot has. */
export function freeName(looks: Look[], wanted: string): string {
  const stem = wanted.replace(/ \d+$/, '');
  let number = 2;
  while (looks.some((l) => l.name === `${stem} ${number}`)) number++;
  return `${stem} ${number}`;
}
