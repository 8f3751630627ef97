import type { ShootDocument } from '../api/document';
import { quantities, type Quantity } from '../controls/quantity';

/** What the page's own fields call values of a shoot. */
const WORDS: Record<string, string> = {
  levelStops: 'Level',
  masterStops: 'Master level',
  'colour/kelvin': 'Colour temperature',
  'colour/tint': 'Tint',
  'brightness/value': 'Brightness',
  rotationDegrees: 'Turn',
  rollDegrees: 'Roll',
  position: 'Position',
  aim: 'Aim',
  scale: 'Size',
  focalLengthMm: 'Focal length',
  fStop: 'f-number',
  focusDistance: 'Focus',
  exposureStops: 'Exposure of the shot',
  ev: 'Exposure',
  muted: 'Mute',
  shown: 'Shown',
  'shape/seconds': 'Time of the water',
  'emission/value': 'Emission',
  'emission/kelvin': 'Colour temperature of emission',
};

const QUANTITIES: [RegExp, Quantity][] = [
  [/(Stops|^masterStops)$/, quantities.stops],
  [/kelvin$/i, quantities.kelvin],
  [/Degrees$/, { ...quantities.degrees, least: -1e6, most: 1e6 }],
  [/(^|\/)(position|aim|target)$/, quantities.metres],
  [/(Mm|Millimetres)$/, { ...quantities.millimetres, least: 0, most: 1e6 }],
  [/(^|\/)ev$/, quantities.ev],
  [/(^|\/)seconds$/, { unit: 's', least: -1e6, most: 1e6, step: 0.1, digits: 3 }],
];

const PLAIN: Quantity = { unit: '', least: -1e9, most: 1e9, step: 0.01, digits: 3 };

/** The kind of number at a place. */
export function quantityOf(place: string): Quantity {
  return QUANTITIES.find(([name]) => name.test(place))?.[1] ?? PLAIN;
}

/** "fadesAtMetres" as "Fades at metres". */
function spelled(name: string): string {
  const words = name.replace(/([a-z])([A-Z0-9])/g, '$1 $2').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What a value within an entry is called. */
export function valueName(way: string): string {
  const known = WORDS[way];
  if (known) return known;
  const steps = way.split('/');
  return steps
    .filter((step, i) => i === steps.length - 1 || !/^(shape|emitter|exposure|tone)$/.test(step))
    .map((step) => (/^\d+$/.test(step) ? `${Number(step) + 1}` : step))
    .map((step, i) => (i === 0 ? spelled(step) : spelled(step).toLowerCase()))
    .join(', ');
}

export interface PlaceName {
  /** The entry: a light, a piece, a shot. */
  thing: string;
  /** What of it. */
  value: string;
}

/** What a place is called: the thing, and what of it. */
export function placeName(document: ShootDocument, place: string): PlaceName {
  const [list = '', id = '', ...way] = place.split('/');
  if (way.length === 0 || list === 'bounce') {
    const rest = list === 'bounce' ? place.slice('bounce/'.length) : place;
    return { thing: list === 'bounce' ? 'Bounced light' : 'Desk', value: valueName(rest) };
  }
  const entries = (document as unknown as Record<string, { id: string; name?: string }[]>)[list];
  const entry = entries?.find((e) => e.id === id);
  return { thing: entry?.name ?? id, value: valueName(way.join('/')) };
}

export const AXES = ['X', 'Y', 'Z'];

/** What the numbers of a place are called; one is not called anything. */
export function partNames(place: string, count: number): string[] {
  if (count === 1) return [''];
  return /colour|tint|filter|albedo/i.test(place) ? ['red', 'green', 'blue'] : AXES;
}
