import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import type { ShootDocument } from '../../api/document';
import { atRest } from '../../motion/atRest';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { MirrorBounces } from './MirrorBounces';

const keep = vi.fn(() => Promise.resolve(true));

function shown(mirrorBounces: number, mirrorEnd = 'surroundings') {
  const document = {
    motion: atRest,
    bounce: { mirrorBounces, mirrorEnd, mirrorColour: [0.5, 0.5, 0.5] },
  } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <MirrorBounces />
    </ShootContext.Provider>,
  );
}

test('mirrors that are followed as far as light have no end to choose', () => {
  shown(64);
  expect(screen.getByLabelText('Mirror bounces')).toHaveValue('64');
  expect(screen.queryByLabelText('The last shows')).toBeNull();
});

test('what the last one shows is an edit, and a colour has its field', async () => {
  shown(3, 'colour');
  expect(screen.getByLabelText('Mirror colour')).toBeInTheDocument();
  await userEvent.click(screen.getByLabelText('The last shows'));
  await userEvent.click(screen.getByRole('option', { name: 'Black' }));
  expect(keep).toHaveBeenCalledWith('What the last mirror shows', [
    { op: 'replace', path: '/bounce/mirrorEnd', value: 'black' },
  ]);
});
