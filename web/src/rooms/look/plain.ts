import type { Glow, Grade, Look } from '../../api/document';
import { defaultsOf } from '../../desk/defaults';

export const noGrade = defaultsOf<Grade>('grade');

export const noOptics = defaultsOf<Look['optics']>('optics');

/** The look with its exposure and shoulder alone. */
export function plain(look: Look): Look {
  const { shoulderStart, highlightRangeStops, highlightDesaturation, ev, camera, contact } = look;
  return {
    ...look,
    ...defaultsOf<Omit<Look, 'id' | 'name'>>('look'),
    ...{ ev, camera, shoulderStart, highlightRangeStops, highlightDesaturation },
    contact: { ...contact, amount: 0 },
    id: look.id,
    name: look.name,
  };
}

/** A glow as it begins: a bloom of all that is brighter than white. */
export function newGlow(looks: Glow[]): Glow {
  let number = looks.length + 1;
  while (looks.some((g) => g.id === `glow-${number}`)) number++;
  const begun = defaultsOf<Glow>('glow');
  return {
    ...begun,
    id: `glow-${number}`,
    name: number === 1 ? 'Glow' : `Glow ${number}`,
    bloom: { ...begun.bloom, on: true, level: 0.15 },
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
