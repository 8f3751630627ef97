import type { Emitter, Light, Unit } from '../../api/document';
import type { Quantity } from '../../controls/quantity';

const LED_EFFICACY = 100;

/** Units in which a kind of light may be said. */
export function unitsOf(emitter: Emitter): Unit[] {
  if (emitter.kind === 'rectangle' || emitter.kind === 'sphere') {
    return ['lm', 'cd', 'lx', 'cd/m2', 'W'];
  }
  return emitter.kind === 'point' ? ['lm', 'cd', 'lx', 'W'] : ['cd/m2'];
}

/** What one of a unit is in the unit that the light is traced in (cd/m², or cd for a point). */
function traced(emitter: Emitter, unit: Unit): number {
  const face = (area: number, flux: number) =>
    ({ lm: 1 / flux, W: LED_EFFICACY / flux, cd: 1 / area, lx: 1 / area, 'cd/m2': 1 })[unit];
  if (emitter.kind === 'rectangle') {
    const area = emitter.width * emitter.height;
    return face(area, Math.PI * area * (emitter.twoSided ? 2 : 1));
  }
  if (emitter.kind === 'sphere') {
    const area = Math.PI * emitter.radius ** 2;
    return face(area, 4 * Math.PI * area);
  }
  if (emitter.kind === 'point') {
    return (
      { lm: 1, W: LED_EFFICACY, cd: 4 * Math.PI, lx: 4 * Math.PI, 'cd/m2': 1 }[unit] / (4 * Math.PI)
    );
  }
  return 1;
}

/** The same brightness said in another unit. */
export function converted(light: Light, unit: Unit): number {
  const { value, unit: from } = light.brightness;
  const next = (value * traced(light.emitter, from)) / traced(light.emitter, unit);
  return Number(next.toPrecision(6));
}

export function shownUnit(unit: Unit): string {
  return unit === 'cd/m2' ? 'cd/m²' : unit;
}

/** The number of a brightness in its unit. */
export function brightnessQuantity(unit: Unit): Quantity {
  return {
    unit: shownUnit(unit),
    least: 0,
    most: 1e12,
    step: 1,
    digits: 2,
    relative: true,
  };
}
