import type { Against } from './useProofs';
import type { Proof, ProofChange, ShootDocument } from '../../api/document';
import { formatQuantity } from '../../controls/quantity';
import { placeName, quantityOf } from '../../motion/names';

const ENTRIES: Record<string, string> = {
  pieces: 'Piece',
  materials: 'Material',
  lights: 'Light',
  banks: 'Bank',
  shots: 'Shot',
  looks: 'Look',
};

/** How clean its picture was: "12 spp, 3.4 % noise". */
export function cleanOf(proof: Proof): string {
  const samples = proof.samples < 1 ? 'coarse' : `${Math.round(proof.samples)} spp`;
  return proof.noisePercent === null
    ? samples
    : `${samples}, ${proof.noisePercent.toPrecision(2)} % noise`;
}

/** When it was taken: the time today, else the day too. */
export function takenAt(proof: Proof, now = new Date()): string {
  const at = new Date(proof.created);
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (at.toDateString() === now.toDateString()) return time;
  return `${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}, ${time}`;
}

/** A value as one reads it. */
function valueOf(place: string, value: unknown): string {
  if (value === null || value === undefined) return 'none';
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (typeof value === 'string') return value;
  const quantity = quantityOf(place);
  if (typeof value === 'number') {
    return quantity.unit
      ? `${formatQuantity(value, quantity)} ${quantity.unit}`
      : formatQuantity(value, quantity);
  }
  if (Array.isArray(value)) {
    const numbers = value.every((v) => typeof v === 'number');
    if (numbers && value.length <= 4) {
      return value.map((v: number) => formatQuantity(v, quantity)).join(' ');
    }
    return `${value.length} of them`;
  }
  const kind = (value as { kind?: unknown }).kind;
  return typeof kind === 'string' ? kind : 'set otherwise';
}

export interface ChangeWords {
  what: string;
  now: string;
  then: string;
}

/** A change in words and numbers. */
export function changeWords(document: ShootDocument, change: ProofChange): ChangeWords {
  const [list = '', id = '', ...rest] = change.place.split('/');
  if (rest.length === 0 && ENTRIES[list]) {
    const entry = (change.now ?? change.other) as { name?: string } | null;
    return {
      what: `${ENTRIES[list]} ${entry?.name ?? id}`,
      now: change.now ? 'there' : 'not there',
      then: change.other ? 'there' : 'not there',
    };
  }
  const { thing, value } = placeName(document, change.place);
  return {
    what: `${thing}: ${value}`,
    now: valueOf(change.place, change.now),
    then: valueOf(change.place, change.other),
  };
}

/** What is asked of the server for a variant of the live picture, and what it is called. */
export function variantOf(
  against: Against,
  light: { id: string; name: string } | undefined,
): { change: Record<string, string>; text: string } | null {
  switch (against) {
    case 'without':
      return light ? { change: { without: light.id }, text: `Without ${light.name}` } : null;
    case 'only':
      return light ? { change: { only: light.id }, text: `${light.name} alone` } : null;
    case 'glow':
      return { change: { glow: 'false' }, text: 'Without glow' };
    case 'look':
      return { change: { look: 'false' }, text: 'Without its look' };
    case 'traced':
      return { change: { denoised: 'false' }, text: 'As traced' };
    default:
      return null;
  }
}
