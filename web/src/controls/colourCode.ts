import type { Vector } from '../api/document';

/** Linear channels as the code of a screen colour (IEC 61966-2-1), such as "#8c4f1d". */
export function toCode(linear: Vector): string {
  const channel = (v: number) => {
    const x = Math.min(1, Math.max(0, v));
    const s = x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055;
    return Math.round(255 * s)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${linear.map(channel).join('')}`;
}

/** The linear channels of a code, to four digits. */
export function fromCode(code: string): Vector {
  return [1, 3, 5].map((at) => {
    const s = parseInt(code.slice(at, at + 2), 16) / 255;
    const x = s <= 0.04045 ? s / 12.92 : ((s + 0.055) / 1.055) ** 2.4;
    return Math.round(10000 * x) / 10000;
  }) as Vector;
}
