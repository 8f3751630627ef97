import { expect, test } from 'vitest';
import type { Piece, ShootDocument } from '../../api/document';
import { everything } from './newPiece';
import { showing, shownAs } from './showing';

const card = {
  id: 'card',
  material: 'glow',
  visibility: { ...everything, reflectedIn: { only: true, pieces: ['ball'] } },
} as unknown as Piece;
const light = { id: 'l', emitter: { kind: 'emissive', material: 'glow', picture: null } };

function document(pieces: Piece[]): ShootDocument {
  return { pieces, lights: [light] } as unknown as ShootDocument;
}

test('says in which way a piece shows', () => {
  expect(showing(card)).toBe('both');
  expect(showing({ ...card, visibility: { ...card.visibility, shadow: false } })).toBe('other');
});

test('a glowing card only in reflections lights nothing, and keeps what reflects it', () => {
  const [seen, ...levels] = shownAs(card, 'reflections', document([card]));
  expect(seen!.path).toBe('/pieces/0/visibility');
  const visibility = seen!.value as Piece['visibility'];
  expect(visibility.reflectedIn).toEqual({ only: true, pieces: ['ball'] });
  expect(showing({ ...card, visibility })).toBe('reflections');
  expect(levels).toEqual([
    { op: 'replace', path: '/lights/0/diffuse', value: 0 },
    { op: 'replace', path: '/lights/0/specular', value: 1 },
  ]);
});

test('only in the picture it gives no highlight either', () => {
  const [seen, diffuse, specular] = shownAs(card, 'picture', document([card]));
  expect(showing({ ...card, visibility: seen!.value as Piece['visibility'] })).toBe('picture');
  expect([diffuse!.value, specular!.value]).toEqual([0, 0]);
});

test('a light that other pieces share is left alone', () => {
  expect(shownAs(card, 'reflections', document([card, { ...card, id: 'other' }]))).toHaveLength(1);
});
