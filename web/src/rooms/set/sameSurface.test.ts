import { describe, expect, it } from 'vitest';
import { grey } from './newPiece';
import { sameSurface } from './sameSurface';

describe('same surfaces', () => {
  it('differ in id and name at most, in whatever order their fields stand', () => {
    const { coat, ...rest } = grey;
    expect(sameSurface(grey, { coat, ...rest, id: 'other', name: 'Other' })).toBe(true);
    expect(sameSurface(grey, { ...grey, roughness: 0.51 })).toBe(false);
    expect(sameSurface(grey, { ...grey, coat: { ...coat, amount: 1 } })).toBe(false);
  });
});
