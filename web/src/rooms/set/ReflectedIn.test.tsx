import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import type { Piece, Scope, ShootDocument } from '../../api/document';
import { useChoice, type At } from '../../frame/choice';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { everything } from './newPiece';
import { ReflectedIn } from './ReflectedIn';

const keep = vi.fn(() => Promise.resolve(true));

function shown(reflectedIn: Scope) {
  const piece = (id: string) =>
    ({
      id,
      name: id,
      parent: null,
      shape: { kind: 'sphere', radius: 1 },
      visibility: { ...everything, reflectedIn },
    }) as unknown as Piece;
  const document = { pieces: [piece('Card'), piece('Ball')] } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <ReflectedIn
        piece={document.pieces[0]!}
        set={(_, field, value) => [{ op: 'replace', path: `/pieces/0/${field}`, value }]}
      />
    </ShootContext.Provider>,
  );
}

afterEach(() => {
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
});

test('a piece pointed at no longer reflects it', async () => {
  shown({ only: false, pieces: [] });
  expect(screen.getByText('Reflected in every piece')).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'In every piece' })).toBeDisabled();
  await userEvent.click(screen.getByRole('button', { name: 'Choose …' }));
  const { armed } = useChoice.getState();
  armed?.then?.({ piece: 'Ball' } as At);
  expect(keep).toHaveBeenCalledWith('Card not reflected in Ball', [
    {
      op: 'replace',
      path: '/pieces/0/visibility/reflectedIn',
      value: { only: false, pieces: ['Ball'] },
    },
  ]);
});

test('all reflect it again at once', async () => {
  shown({ only: false, pieces: ['Ball'] });
  expect(screen.getByText('Reflected in 1 of 2 pieces')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'In every piece' }));
  expect(keep).toHaveBeenCalledWith('Card reflected in every piece', [
    {
      op: 'replace',
      path: '/pieces/0/visibility/reflectedIn',
      value: { only: false, pieces: [] },
    },
  ]);
});
