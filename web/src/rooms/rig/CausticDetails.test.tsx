import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import type { ShootDocument } from '../../api/document';
import { useLive } from '../../live/store';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { CausticDetails, said } from './CausticDetails';
import type { LightProps } from './props';

const keep = vi.fn(() => Promise.resolve(true));

function shown(castsCaustics: boolean, share?: number) {
  useLive.setState({
    progress: { caustics: share === undefined ? {} : { a: share } },
  } as unknown as Partial<ReturnType<typeof useLive.getState>>);
  const light = {
    id: 'a',
    name: 'Beam',
    castsCaustics,
    causticLevel: 1,
    causticSoftnessMillimetres: 2,
  } as unknown as LightProps['light'];
  const document = { lights: [light] } as unknown as ShootDocument;
  const desk = { state: { document }, document, keep } as unknown as ShootDesk;
  const set: LightProps['set'] = (_, field, value) => [
    { op: 'replace', path: `/lights/0/${field}`, value },
  ];
  render(
    <ShootContext.Provider value={desk}>
      <CausticDetails light={light} here={() => light} set={set} />
    </ShootContext.Provider>,
  );
}

afterEach(() => {
  keep.mockClear();
  useLive.setState(useLive.getInitialState(), true);
});

test('casting caustics is an edit of its own', async () => {
  shown(false);
  expect(screen.queryByLabelText('Edge softness of the caustics')).toBeNull();
  await userEvent.click(screen.getByLabelText('Casts caustics'));
  expect(keep).toHaveBeenCalledWith('Caustics of Beam', [
    { op: 'replace', path: '/lights/0/castsCaustics', value: true },
  ]);
});

test('a light that casts them has their level and softness, and says how much they are', () => {
  shown(true, 0.213);
  expect(screen.getByLabelText('Level of the caustics')).toHaveValue('1');
  expect(screen.getByLabelText('Edge softness of the caustics')).toHaveValue('2');
  expect(screen.getByText('21 % of its light in the picture.')).toBeInTheDocument();
});

test('says why none are seen', () => {
  expect(said(0, 1)).toMatch(/^None of its light falls into the picture/);
  expect(said(0.5, 0)).toBe('Their level is 0.');
  expect(said(undefined, 1)).toBe('Being measured …');
  expect(said(0.0004, 1)).toBe('Under 0.1 % of its light in the picture.');
  expect(said(0.021, 1)).toBe('2.1 % of its light in the picture.');
});
