import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import type { Piece, ShootDocument } from '../../api/document';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { VisibilityDetails } from './VisibilityDetails';

const piece = {
  id: 'globe',
  name: 'Globe',
  visibility: {
    camera: true,
    reflection: true,
    refraction: false,
    shadow: true,
    bounce: true,
    shadowCatcher: false,
    portal: false,
    reflectedIn: { only: false, pieces: [] },
  },
} as unknown as Piece;

test('where a piece is seen and what it casts are kept as edits of their own', async () => {
  const keep = vi.fn(() => Promise.resolve(true));
  const document = { pieces: [piece], lights: [] } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <VisibilityDetails
        piece={piece}
        set={(_, field, value) => [{ op: 'replace', path: `/pieces/0/${field}`, value }]}
      />
    </ShootContext.Provider>,
  );
  expect(screen.getByRole('checkbox', { name: 'Directly' })).toBeChecked();
  expect(screen.getByRole('checkbox', { name: 'Through glass' })).not.toBeChecked();
  await userEvent.click(screen.getByRole('checkbox', { name: 'In reflections' }));
  expect(keep).toHaveBeenLastCalledWith('Where Globe is seen', [
    { op: 'replace', path: '/pieces/0/visibility/reflection', value: false },
  ]);
  await userEvent.click(screen.getByLabelText('Shows'));
  await userEvent.click(screen.getByRole('option', { name: 'Only in the picture' }));
  expect(keep).toHaveBeenLastCalledWith('Where Globe is seen', [
    {
      op: 'replace',
      path: '/pieces/0/visibility',
      value: {
        camera: true,
        reflection: false,
        refraction: true,
        shadow: false,
        bounce: false,
        shadowCatcher: false,
        portal: false,
        reflectedIn: { only: false, pieces: [] },
      },
    },
  ]);
  await userEvent.click(screen.getByRole('checkbox', { name: 'Catches shadows' }));
  expect(keep).toHaveBeenLastCalledWith('Globe as a shadow catcher', [
    { op: 'replace', path: '/pieces/0/visibility/shadowCatcher', value: true },
  ]);
  await userEvent.click(screen.getByRole('checkbox', { name: 'Opening for daylight' }));
  expect(keep).toHaveBeenLastCalledWith('Globe as an opening', [
    { op: 'replace', path: '/pieces/0/visibility/portal', value: true },
  ]);
});
