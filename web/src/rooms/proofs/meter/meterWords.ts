import type {
  FaderRange,
  Outcome,
  Pin,
  Schemas,
  ShootDocument,
  Target,
} from '../../../api/document';

/** "+1.25 st", "−0.50 st", "black". */
export function stopsText(stops: number | null): string {
  if (stops === null) return 'black';
  const size = Math.abs(stops).toFixed(2);
  return `${stops < -0.005 ? '−' : stops > 0.005 ? '+' : ''}${size} st`;
}

/** Three figures with a unit, thousands as "k". */
export function amountText(value: number, unit: string): string {
  if (value >= 10_000) return `${(value / 1000).toPrecision(3)} k${unit}`;
  if (value === 0) return `0 ${unit}`;
  return `${value >= 100 ? Math.round(value) : value.toPrecision(3)} ${unit}`;
}

/** A ratio of light as "4.0:1", the brighter one first. */
export function ratioText(ratio: number): string {
  const shown = (r: number) => (r >= 100 ? Math.round(r).toString() : r.toFixed(r >= 10 ? 0 : 1));
  return ratio >= 1 ? `${shown(ratio)}:1` : `1:${shown(1 / ratio)}`;
}

/** What a colour cast is called, by stops of red and of blue over green. */
export function castText(red: number | null, blue: number | null): string {
  if (red === null || blue === null) return '';
  if (Math.max(Math.abs(red), Math.abs(blue)) < 0.05) return 'neutral';
  const warm = (red - blue) / 2;
  const magenta = (red + blue) / 2;
  const words = [];
  if (Math.abs(warm) >= 0.05)
    words.push(`${Math.abs(warm).toFixed(2)} st ${warm > 0 ? 'warm' : 'cool'}`);
  if (Math.abs(magenta) >= 0.05)
    words.push(`${Math.abs(magenta).toFixed(2)} st ${magenta > 0 ? 'magenta' : 'green'}`);
  return words.join(', ');
}

/** What a target wants, in words. */
export function targetText(target: Target, pins: Pin[]): string {
  const name = (id: string | null) => pins.find((p) => p.id === id)?.name ?? 'a pin that is gone';
  switch (target.kind) {
    case 'stops':
      return `${name(target.pin)} at ${stopsText(target.stops)}`;
    case 'ratio':
      return `${name(target.pin)} to ${name(target.other)} as ${ratioText(2 ** target.stops)}`;
    case 'mean':
      return `Mean of the picture at ${stopsText(target.stops)}`;
    case 'ceiling':
      return `Nothing above ${stopsText(target.stops)}`;
    case 'neutral':
      return `${name(target.pin)} neutral`;
  }
}

/** How a target's reading is shown. */
export function readingText(target: Target, reading: number): string {
  if (target.kind === 'ratio') return ratioText(2 ** reading);
  if (target.kind === 'neutral') return reading < 0.05 ? 'neutral' : `${reading.toFixed(2)} st off`;
  return stopsText(reading);
}

export interface Fader {
  place: string;
  name: string;
  light: boolean;
}

/** All faders that could move: lights, with the mirror images that follow them, banks, the master. */
export function fadersOf(document: ShootDocument): Fader[] {
  return [
    ...document.lights
      .filter((l) => !l.mirror)
      .map((l) => ({
        place: `lights/${l.id}/levelStops`,
        name: [l, ...document.lights.filter((m) => m.mirror?.of === l.id)]
          .map((one) => one.name)
          .join(' and '),
        light: true,
      })),
    ...document.banks.map((b) => ({
      place: `banks/${b.id}/levelStops`,
      name: `Bank ${b.name}`,
      light: false,
    })),
    { place: 'masterStops', name: 'Master', light: false },
  ];
}

export function faderName(document: ShootDocument, place: string): string {
  return fadersOf(document).find((f) => f.place === place)?.name ?? place;
}

export const usualRange = (place: string): FaderRange => ({
  place,
  leastStops: -3,
  mostStops: 3,
  colour: false,
  leastKelvin: 2700,
  mostKelvin: 7500,
});

/** The ranges of the faders that may move; while none is said, those of all lights. */
export function rangesOf(document: ShootDocument): FaderRange[] {
  if (document.meter.faders.length > 0) return document.meter.faders;
  return fadersOf(document)
    .filter(
      (f) =>
        f.light && !document.lights.find((l) => `lights/${l.id}/levelStops` === f.place)?.muted,
    )
    .map((f) => usualRange(f.place));
}

/** What stands in the way of a target, in words. */
export function obstacleText(document: ShootDocument, obstacle: Schemas['Obstacle']): string {
  switch (obstacle.kind) {
    case 'LIMIT':
      return `at the end of its range: ${faderName(document, obstacle.what)}`;
    case 'CONFLICT': {
      const other = document.meter.targets.find((t) => t.id === obstacle.what);
      return other
        ? `against “${targetText(other, document.meter.pins)}”`
        : 'against another target';
    }
    case 'FIXED': {
      const light = document.lights.find((l) => l.id === obstacle.what);
      return `${light?.name ?? obstacle.what} gives ${Math.round(100 * obstacle.share)} % and may not move`;
    }
  }
}

/** Whether an outcome is nearer than before, met, or neither. */
export function outcomeState(target: Target, outcome: Outcome): 'met' | 'nearer' | 'not nearer' {
  if (outcome.met) return 'met';
  const off = (reading: number) =>
    target.kind === 'ceiling'
      ? Math.max(0, reading - target.stops)
      : Math.abs(reading - (target.kind === 'neutral' ? 0 : target.stops));
  return off(outcome.after) < off(outcome.before) - 0.01 ? 'nearer' : 'not nearer';
}
