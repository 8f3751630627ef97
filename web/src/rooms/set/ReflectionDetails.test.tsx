import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import type { ShootDocument } from '../../api/document';
import { atRest } from '../../motion/atRest';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { grey } from './newPiece';
import { ReflectionDetails } from './ReflectionDetails';

test('level, roughness and tint are tried at their places of the material', async () => {
  const tryOut = vi.fn();
  const keep = vi.fn(() => Promise.resolve(true));
  const document = { motion: atRest, materials: [grey] } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep, tryOut } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <ReflectionDetails
        material={grey}
        here={(d) => d.materials[0]!}
        set={(_, field, value) => [{ op: 'replace', path: `/materials/0/${field}`, value }]}
      />
    </ShootContext.Provider>,
  );
  const level = screen.getByLabelText('Level of reflections');
  expect(level).toHaveValue('1');
  await userEvent.clear(level);
  await userEvent.type(level, '50 %{Enter}');
  expect(tryOut).toHaveBeenCalledWith(
    [{ op: 'replace', path: '/materials/0/reflections/level', value: 0.5 }],
    true,
  );
  const rough = screen.getByLabelText('Roughness of reflections');
  await userEvent.clear(rough);
  await userEvent.type(rough, '-0.2{Enter}');
  expect(tryOut).toHaveBeenCalledWith(
    [{ op: 'replace', path: '/materials/0/reflections/roughness', value: -0.2 }],
    true,
  );
  expect(keep).toHaveBeenCalledWith('Reflections of Grey');
  expect(screen.getByLabelText('Tint of reflections')).toHaveValue('#ffffff');
});
