import type { Light, Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { withoutTracks } from '../../desk/withoutTracks';
import { inWorld, mirrorSource } from '../../plan/lights';

/**
 * Takes a light out with what cannot be without it: the sun of a sky goes too, a mirror image
 * becomes a light of its own.
 */
export function without(light: Light, document: ShootDocument): Operation[] {
  const freed = document.lights
    .filter((l) => l.mirror?.of === light.id)
    .flatMap((l) => setFree(l, document));
  const gone = document.lights
    .map((l, i) => ({ l, i }))
    .filter(
      ({ l }) => l.id === light.id || (l.emitter.kind === 'sky-sun' && l.emitter.sky === light.id),
    )
    .map(({ i }) => i)
    .reverse();
  const ids = new Set(gone.map((i) => document.lights[i]!.id));
  return [
    ...withoutTracks('lights', ids, document),
    ...freed,
    ...gone.map((i) => ({ op: 'remove' as const, path: `/lights/${i}` })),
  ];
}

/** Makes a mirror image a light of its own that stands where it stands. */
export function setFree(light: Light, document: ShootDocument): Operation[] {
  const source = mirrorSource(light, document);
  const { position, aim } = inWorld(light, document);
  const own: Light = {
    ...light,
    emitter: source.emitter,
    brightness: source.brightness,
    colour: source.colour,
    seenDirectly: source.seenDirectly,
    levelStops: Math.min(10, Math.max(-10, light.levelStops + source.levelStops)),
    rollDegrees: -source.rollDegrees,
    position,
    aim,
    parent: null,
    aimedAt: null,
    mirror: null,
  };
  const at = document.lights.findIndex((l) => l.id === light.id);
  return [{ op: 'replace', path: `/lights/${at}`, value: own }];
}

/** Takes names of pieces that go out of every link and tie. */
export function withoutLinks(gone: Set<string>, document: ShootDocument): Operation[] {
  const unseen = document.pieces
    .filter((p) => !gone.has(p.id))
    .filter((p) => p.visibility.reflectedIn.pieces.some((id) => gone.has(id)))
    .map((p) => {
      const { only, pieces } = p.visibility.reflectedIn;
      const kept = pieces.filter((id) => !gone.has(id));
      return setField(document, 'pieces', p.id, 'visibility/reflectedIn', { only, pieces: kept });
    });
  const unlit = document.lights.flatMap((light) => {
    const operations: Operation[] = [];
    for (const field of ['lightLinking', 'shadowLinking'] as const) {
      const kept = light[field].pieces.filter((id) => !gone.has(id));
      if (kept.length < light[field].pieces.length) {
        operations.push(
          setField(document, 'lights', light.id, field, { ...light[field], pieces: kept }),
        );
      }
    }
    const tied = light.parent !== null && gone.has(light.parent);
    const aimed = light.aimedAt !== null && gone.has(light.aimedAt);
    if (tied || aimed) {
      const { position, aim } = inWorld(light, document);
      const set = (field: string, value: unknown) =>
        operations.push(setField(document, 'lights', light.id, field, value));
      set('parent', null);
      set('aimedAt', null);
      set('position', position);
      set('aim', aim);
    }
    return operations;
  });
  return [...withoutTracks('pieces', gone, document), ...unseen, ...unlit];
}
