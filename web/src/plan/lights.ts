import type { Light, ShootDocument, Vector } from '../api/document';
import { lightKinds } from '../desk/lightKinds';
import { dot, minus, parentFrame, point, times, unit, plus } from '../picture/frame';

/** Whether a light has a place. */
export const isPlaced = (light: Light) => lightKinds[light.emitter.kind].placed;

/** Whether a light faces its aim. */
export const isAimed = (light: Light) =>
  lightKinds[light.emitter.kind].aimed ||
  (light.emitter.kind === 'point' && light.emitter.profile !== null);

/** The light that a light is the mirror image of, or itself. */
export function mirrorSource(light: Light, document: ShootDocument): Light {
  return document.lights.find((l) => l.id === light.mirror?.of) ?? light;
}

/** Where a light stands and aims in the world, ties and mirrors followed. */
export function inWorld(
  light: Light,
  document: ShootDocument,
): { position: Vector; aim: Vector; aims: boolean } {
  if (light.mirror) {
    const { point: at, normal } = light.mirror;
    const n = unit(normal);
    const image = (p: Vector) => plus(p, times(n, -2 * dot(minus(p, at), n)));
    const source = inWorld(mirrorSource({ ...light }, document), document);
    return { position: image(source.position), aim: image(source.aim), aims: source.aims };
  }
  const tied = parentFrame(document.pieces, light.parent);
  const aimed = light.aimedAt ? parentFrame(document.pieces, light.aimedAt) : tied;
  return {
    position: point(tied, light.position),
    aim: point(aimed, light.aim),
    aims: isAimed(light),
  };
}
