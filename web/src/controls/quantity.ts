/** A kind of number: how it is read, shown and moved. */
export interface Quantity {
  /** Unit shown behind the value and accepted when typed. */
  unit: string;
  /** Other units accepted when typed, with what one of them is in the main unit. */
  others?: Record<string, number>;
  least: number;
  most: number;
  /** Change for an arrow key or a notch of the wheel, in the main unit. */
  step: number;
  /** Moves by a share of the value rather than by a fixed step. */
  relative?: boolean;
  digits: number;
  /** Shows a sign always, and thirds as fractions. */
  stops?: boolean;
}

const THIRDS: Record<string, string> = { '0.33': '⅓', '0.67': '⅔' };

/** "+1⅓", "0", "−⅔"; other values with two digits. */
export function formatStops(value: number): string {
  const size = Math.abs(value);
  const whole = Math.floor(size + 0.005);
  const part = (size - whole).toFixed(2);
  const sign = value > 0.005 ? '+' : value < -0.005 ? '−' : '';
  if (Math.abs(size - whole) < 0.005) return `${sign}${whole}`;
  const third = THIRDS[part];
  if (third) return `${sign}${whole === 0 ? '' : whole}${third}`;
  return `${sign}${size.toFixed(2)}`;
}

export function formatQuantity(value: number, q: Quantity): string {
  if (q.stops) return formatStops(value);
  if (q.relative && Math.abs(value) >= 10000) {
    return `${trimmed(value / 1000, 2)} k`;
  }
  return trimmed(value, q.digits);
}

function trimmed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

/** Reads "1.2 klm", "5600 K", "-1/3", "30 cm", "+1 1/3"; null when it is no such number. */
export function parseQuantity(text: string, q: Quantity): number | null {
  const plain = text
    .trim()
    .replace('−', '-')
    .replace(',', '.')
    .replace('⅓', ' 1/3')
    .replace('⅔', ' 2/3');
  const match =
    /^([+-]?)\s*(?:(\d+(?:\.\d*)?|\.\d+)(?:\s+(\d+)\/(\d+)|\/(\d+))?|(\d+)\/(\d+))\s*([a-zA-Zµ°²/%0-9]*)$/.exec(
      plain,
    );
  if (!match) return null;
  const [, sign, main, top, bottom, over, soloTop, soloBottom, unitText = ''] = match;
  let value: number;
  if (main === undefined) {
    value = Number(soloTop) / Number(soloBottom);
  } else if (over !== undefined) {
    value = Number(main) / Number(over);
  } else {
    value = Number(main) + (top ? Number(top) / Number(bottom) : 0);
  }
  const factor = unitFactor(unitText, q);
  if (factor === null || !Number.isFinite(value)) return null;
  return (sign === '-' ? -1 : 1) * value * factor;
}

function unitFactor(text: string, q: Quantity): number | null {
  const unit = text.replace('²', '2');
  const names = { [q.unit.replace('²', '2')]: 1, ...q.others };
  if (unit === '') return 1;
  for (const [name, factor] of Object.entries(names)) {
    if (unit.toLowerCase() === name.toLowerCase()) return factor;
    if (name && unit.toLowerCase() === `k${name.toLowerCase()}`) return 1000 * factor;
  }
  return unit === 'k' ? 1000 : null;
}

export function clampTo(value: number, q: Quantity): number {
  return Math.min(q.most, Math.max(q.least, value));
}

/** The next value for a number of notches, finer with `fine`. */
export function stepped(value: number, notches: number, q: Quantity, fine: boolean): number {
  const amount = notches * (fine ? 0.1 : 1);
  if (q.relative) {
    const from = value === 0 ? q.step : value;
    return clampTo(from * Math.pow(1.05, amount), q);
  }
  const next = value + amount * q.step;
  return clampTo(Math.round(next / (q.step / 10)) * (q.step / 10), q);
}

export const quantities = {
  metres: {
    unit: 'm',
    others: { cm: 0.01, mm: 0.001 },
    least: -1000,
    most: 1000,
    step: 0.02,
    digits: 3,
  },
  length: {
    unit: 'm',
    others: { cm: 0.01, mm: 0.001 },
    least: 0.001,
    most: 1000,
    step: 0.01,
    digits: 3,
    relative: true,
  },
  degrees: { unit: '°', others: { deg: 1 }, least: -3600, most: 3600, step: 1, digits: 1 },
  stops: { unit: 'st', least: -10, most: 10, step: 1 / 3, digits: 2, stops: true },
  kelvin: { unit: 'K', least: 1000, most: 40000, step: 100, digits: 0 },
  tint: { unit: '', least: -50, most: 50, step: 1, digits: 1 },
  /** A factor on light, 1 as it is. */
  level: { unit: '', others: { '%': 0.01 }, least: 0, most: 4, step: 0.05, digits: 2 },
  share: { unit: '', others: { '%': 0.01 }, least: 0, most: 1, step: 0.01, digits: 3 },
  ev: { unit: 'EV', least: -20, most: 30, step: 1 / 3, digits: 2 },
  millimetres: { unit: 'mm', least: 4, most: 2000, step: 1, digits: 1 },
  fStop: { unit: 'f', least: 0, most: 128, step: 0.5, digits: 1 },
} satisfies Record<string, Quantity>;
