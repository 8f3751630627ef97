import type { Scopes } from '../../live/store';

/** How the channels are drawn: luma, red, green, blue. */
export const INKS: [number, number, number][] = [
  [205, 205, 205],
  [235, 90, 80],
  [95, 200, 105],
  [95, 140, 245],
];

/** Draws a waveform of some channels, side by side, or over each other. */
export function waveform(
  scopes: Scopes,
  channels: number[],
  beside: boolean,
): { width: number; height: number; rgba: Uint8ClampedArray<ArrayBuffer> } {
  const { columns, levels } = scopes;
  const width = beside ? columns * channels.length : columns;
  const rgba = new Uint8ClampedArray(4 * width * levels);
  channels.forEach((channel, number) => {
    const ink = INKS[channel]!;
    const left = beside ? number * columns : 0;
    for (let x = 0; x < columns; x++) {
      for (let level = 0; level < levels; level++) {
        const lit = scopes.waveform[(channel * columns + x) * levels + level]!;
        if (lit === 0) continue;
        const at = 4 * ((levels - 1 - level) * width + left + x);
        for (let k = 0; k < 3; k++) {
          rgba[at + k] = Math.min(255, rgba[at + k]! + (ink[k]! * lit) / 255);
        }
        rgba[at + 3] = 255;
      }
    }
  });
  return { width, height: levels, rgba };
}

/** Draws the vectorscope, every place in the colour that it stands for. */
export function vectorscope(scopes: Scopes): Uint8ClampedArray<ArrayBuffer> {
  const { levels } = scopes;
  const rgba = new Uint8ClampedArray(4 * levels * levels);
  for (let y = 0; y < levels; y++) {
    for (let x = 0; x < levels; x++) {
      const lit = scopes.vectors[y * levels + x]!;
      if (lit === 0) continue;
      const cb = x / levels - 0.5;
      const cr = 0.5 - y / levels;
      const at = 4 * (y * levels + x);
      const part = lit / 255;
      rgba[at] = 255 * part * (0.6 + 1.5748 * cr);
      rgba[at + 1] = 255 * part * (0.6 - 0.1873 * cb - 0.4681 * cr);
      rgba[at + 2] = 255 * part * (0.6 + 1.8556 * cb);
      rgba[at + 3] = 255;
    }
  }
  return rgba;
}
