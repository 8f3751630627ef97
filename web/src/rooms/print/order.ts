import type { Quantity } from '../../controls/quantity';
import type { PrintFormat, PrintOrder, PrintPass } from '../../api/document';

/** A size by what it is for. */
export interface Size {
  name: string;
  width: number;
  height: number;
}

/** Sizes by use; the artist's own are kept beside them. */
export const SIZES: Size[] = [
  { name: 'HD, 1920 × 1080', width: 1920, height: 1080 },
  { name: '4K UHD, 3840 × 2160', width: 3840, height: 2160 },
  { name: '8K UHD, 7680 × 4320', width: 7680, height: 4320 },
  { name: 'Square, 2048 × 2048', width: 2048, height: 2048 },
  { name: 'Tall for a phone, 1080 × 1920', width: 1080, height: 1920 },
  { name: 'A4 at 300 dpi, 3508 × 2480', width: 3508, height: 2480 },
  { name: 'A3 at 300 dpi, 4961 × 3508', width: 4961, height: 3508 },
  { name: 'Preview, 960 × 540', width: 960, height: 540 },
];

export const PASSES: { name: string; passes: [PrintPass, string][] }[] = [
  {
    name: 'Light',
    passes: [
      ['lights', 'Every light'],
      ['banks', 'Every bank'],
      ['emission', 'Emission'],
      ['diffuseDirect', 'Diffuse direct'],
      ['diffuseIndirect', 'Diffuse indirect'],
      ['specularDirect', 'Specular direct'],
      ['specularIndirect', 'Specular indirect'],
      ['transmission', 'Transmission'],
      ['sheen', 'Sheen'],
      ['caustics', 'Caustics'],
      ['shadow', 'Shadow of catchers'],
      ['noise', 'Noise'],
    ],
  },
  {
    name: 'Surface',
    passes: [
      ['albedo', 'Albedo'],
      ['ambientOcclusion', 'Ambient occlusion'],
      ['normal', 'Normal'],
      ['depth', 'Depth'],
      ['position', 'Position'],
      ['uv', 'UV'],
      ['motion', 'Motion'],
      ['pieceIds', 'Piece ids'],
      ['materialIds', 'Material ids'],
    ],
  },
];

export const FORMATS: [PrintFormat, string][] = [
  ['png', 'PNG, 8 bit'],
  ['png16', 'PNG, 16 bit'],
  ['jpeg', 'JPEG'],
  ['tiff', 'TIFF, 16 bit'],
  ['exr', 'OpenEXR'],
  ['hdr', 'Radiance HDR'],
];

/** What a print goes by. */
export type Goal = 'noise' | 'samples' | 'minutes';

export const quantitiesOf: Record<Goal | 'side' | 'occlusion', Quantity> = {
  noise: { unit: '%', least: 0.1, most: 50, step: 0.1, digits: 2, relative: true },
  samples: { unit: 'spp', least: 1, most: 100000, step: 1, digits: 0, relative: true },
  minutes: {
    unit: 'min',
    others: { h: 60, s: 1 / 60 },
    least: 0.1,
    most: 10000,
    step: 0.5,
    digits: 1,
    relative: true,
  },
  side: { unit: 'px', least: 16, most: 16384, step: 16, digits: 0 },
  occlusion: {
    unit: 'm',
    others: { cm: 0.01, mm: 0.001 },
    least: 0.001,
    most: 100,
    step: 0.05,
    digits: 3,
    relative: true,
  },
};

/** Most samples of a print that goes by its noise or by time. */
const MOST_SAMPLES = 100_000;

/** An order when nothing was chosen yet. */
export function usualOrder(shot: string): PrintOrder {
  return {
    shot,
    width: 1920,
    height: 1080,
    samples: MOST_SAMPLES,
    noisePercent: 3,
    minutes: 0,
    denoise: true,
    cutOut: false,
    lightLevels: true,
    occlusionMetres: 0.5,
    passes: [],
    filePerPass: false,
    formats: ['png'],
    exrDepth: 'half',
    exrPacking: 'zip',
    folder: '',
    pattern: '{shoot}/{shot}-{width}x{height}',
    seed: 1,
    frames: null,
  };
}

/** Whether an order is one of frames rather than of a still. */
export function isOfFrames(order: Pick<PrintOrder, 'frames'>): boolean {
  const { frames } = order;
  return frames !== null && (frames.last > frames.first || frames.movies.length > 0);
}

/** An order of a still of a shoot that moves is of the frame that is shown. */
export function atFrame(order: PrintOrder, moves: boolean, frame: number): PrintOrder {
  if (isOfFrames(order)) return order;
  const still = {
    first: frame,
    last: frame,
    every: 1,
    runningSeeds: false,
    temporalFilter: false,
    movies: [],
  };
  return { ...order, frames: moves ? still : null };
}

/** What an order goes by. */
export function goalOf(order: Pick<PrintOrder, 'noisePercent' | 'minutes'>): Goal {
  return order.minutes > 0 ? 'minutes' : order.noisePercent > 0 ? 'noise' : 'samples';
}

/** The fields of an order that goes by something else. */
export function withGoal(
  goal: Goal,
  value: number,
): Pick<PrintOrder, 'samples' | 'noisePercent' | 'minutes'> {
  return {
    samples: goal === 'samples' ? Math.round(value) : MOST_SAMPLES,
    noisePercent: goal === 'noise' ? value : 0,
    minutes: goal === 'minutes' ? value : 0,
  };
}

/** The value that an order goes by. */
export function goalValue(order: Pick<PrintOrder, 'samples' | 'noisePercent' | 'minutes'>): number {
  const goal = goalOf(order);
  return goal === 'samples' ? order.samples : goal === 'noise' ? order.noisePercent : order.minutes;
}

export const usualValue: Record<Goal, number> = { noise: 3, samples: 256, minutes: 30 };

/** Some of a list, with one put in or taken out. */
export function toggled<T>(list: T[], one: T): T[] {
  return list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
}

/** An order with a format put in or taken out; passes need OpenEXR, and one format must stay. */
export function withFormat(order: PrintOrder, format: PrintFormat): PrintOrder {
  const formats = toggled(order.formats, format);
  if (formats.length === 0) return order;
  return { ...order, formats, passes: formats.includes('exr') ? order.passes : [] };
}

/** An order with a pass put in or taken out, and OpenEXR with it. */
export function withPass(order: PrintOrder, pass: PrintPass): PrintOrder {
  const passes = toggled(order.passes, pass);
  const formats: PrintFormat[] =
    passes.length > 0 && !order.formats.includes('exr') ? [...order.formats, 'exr'] : order.formats;
  return { ...order, passes, formats };
}

/** Bytes as one reads them. */
export function bytesOf(bytes: number): string {
  if (bytes < 1e6) return `${Math.ceil(bytes / 1e3)} kB`;
  return bytes < 1e9 ? `${Math.round(bytes / 1e6)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}
