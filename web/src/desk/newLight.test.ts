import { describe, expect, it } from 'vitest';
import type { ShootDocument, Shot } from '../api/document';
import { isAimed, isPlaced } from '../plan/lights';
import { lightKinds } from './lightKinds';
import { newKinds, newLight, type NewKind } from './newLight';

const shot = { position: [0, 1, 4], aim: [0, 0.5, 0] } as unknown as Shot;
const empty = { lights: [], pieces: [] } as unknown as ShootDocument;
const kinds = Object.keys(newKinds) as NewKind[];

describe('a new light', () => {
  it.each(kinds)('%s is bright in a unit of its kind', (kind) => {
    const light = newLight(kind, empty, shot);
    expect(lightKinds[light.emitter.kind].units).toContain(light.brightness.unit);
    expect(light.brightness.value).toBeGreaterThan(0);
    expect(light.brightness.efficacy).toBeGreaterThan(0);
  });

  it('has a name and an id of its own', () => {
    const first = newLight('spot', empty, shot);
    const second = newLight('spot', { ...empty, lights: [first] }, shot);
    expect([first.id, second.id]).toEqual(['spot', 'spot-2']);
    expect([first.name, second.name]).toEqual(['Spot', 'Spot 2']);
  });

  it('stands on the side of the camera, above its line of view, and faces what it sees', () => {
    const light = newLight('rectangle', empty, shot);
    expect(light.position[2]).toBeGreaterThan(0);
    expect(light.position[1]).toBeGreaterThan(shot.aim[1]);
    expect(light.aim).toEqual(shot.aim);
    expect(isPlaced(light) && isAimed(light)).toBe(true);
  });

  it('that surrounds the set is not tinted', () => {
    const dome = newLight('dome', empty, shot);
    expect(isPlaced(dome)).toBe(false);
    expect(dome.colour.kelvin).toBe(6504);
  });
});

describe('kinds of light', () => {
  it('each have a name and a drawing of their own', () => {
    const all = Object.values(lightKinds);
    expect(new Set(all.map((k) => k.name)).size).toBe(all.length);
    expect(new Set(all.map((k) => k.drawing)).size).toBe(all.length);
  });
});
