import { describe, expect, it } from 'vitest';
import { fromCode, toCode } from './colourCode';

describe('colour codes', () => {
  it('go from linear light to the screen and back', () => {
    expect(toCode([0, 0.214, 1])).toBe('#007fff');
    expect(fromCode('#007fff')).toEqual([0, 0.2122, 1]);
    for (const code of ['#000000', '#8c4f1d', '#ffffff', '#010203']) {
      expect(toCode(fromCode(code))).toBe(code);
    }
  });

  it('hold what a screen cannot show', () => {
    expect(toCode([2, -1, 0.5])).toBe('#ff00bc');
  });
});
