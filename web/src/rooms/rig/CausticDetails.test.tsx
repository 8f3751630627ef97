import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api, type LiveCaustics } from '../../api/client';
import { atRest } from '../../motion/atRest';
import { renderAtDesk } from '../../live/renderAtDesk';
import { CausticDetails } from './CausticDetails';
import type { LightProps } from './props';

const keep = vi.fn(() => Promise.resolve(true));

const seen: LiveCaustics = {
  share: 0.213,
  ofPicture: 0.02,
  drownedBy: 'a',
  drownedStops: 1,
  thrownBy: 'Lens',
  penumbra: 0.01,
  survey: {
    casters: 1,
    lit: true,
    deposited: 0.8,
    escaped: 0.1,
    absorbed: 0.1,
    reflectance: 0.5,
    metres: 0.6,
    angularDiameter: 0.02,
    pattern: 0.3,
    piece: 0,
    focus: null,
  },
};

function shown(castsCaustics: 'automatic' | 'on' | 'off', others: object = {}) {
  const light = {
    id: 'a',
    name: 'Beam',
    castsCaustics,
    causticLevel: 1,
    causticSoftnessMillimetres: 2,
    causticSoftnessShare: 0.05,
    causticFadesAtMetres: 3,
    muted: false,
    ...others,
  } as unknown as LightProps['light'];
  const document = { motion: atRest, lights: [light] };
  const set: LightProps['set'] = (_, field, value) => [
    { op: 'replace', path: `/lights/0/${field}`, value },
  ];
  renderAtDesk(<CausticDetails light={light} here={() => light} set={set} />, document, { keep });
}

afterEach(() => {
  keep.mockClear();
  vi.restoreAllMocks();
});

test.each([
  ['automatic', 'On', 'on'],
  ['off', 'Automatic', 'automatic'],
  ['on', 'Off', 'off'],
] as const)('casting caustics from %s to %s is an edit of its own', async (from, text, value) => {
  vi.spyOn(api, 'caustics').mockResolvedValue(null);
  shown(from);
  const levers = screen.queryByLabelText('Edge softness of the caustics');
  if (from === 'on') expect(levers).toBeInTheDocument();
  else expect(levers).toBeNull();
  await userEvent.click(screen.getByLabelText('Casts caustics'));
  await userEvent.click(screen.getByRole('option', { name: text }));
  expect(keep).toHaveBeenCalledWith('Caustics of Beam', [
    { op: 'replace', path: '/lights/0/castsCaustics', value },
  ]);
});

test('where it is automatic, it says whether photons were chosen', async () => {
  const asked = vi.spyOn(api, 'caustics').mockResolvedValue(null);
  shown('automatic');
  expect(screen.getByText('Being measured …')).toBeInTheDocument();
  expect(await screen.findByText(/^No photons/)).toBeInTheDocument();
  asked.mockResolvedValue(seen);
  shown('automatic', { id: 'b' });
  expect(await screen.findByText(/^Photons carry them. 21 % of its light/)).toBeInTheDocument();
});

test('a light that casts them has its levers, and says how much they are', async () => {
  const asked = vi.spyOn(api, 'caustics').mockResolvedValue(seen);
  shown('on');
  expect(screen.getByLabelText('Level of the caustics')).toHaveValue('1');
  expect(screen.getByLabelText('Edge softness of the caustics')).toHaveValue('2');
  expect(screen.getByLabelText('Softness of the caustics by distance')).toHaveValue('5');
  expect(screen.getByLabelText('Where the caustics fade')).toHaveValue('3');
  expect(
    await screen.findByText(
      '21 % of its light in the picture, 2.0 % of all light, most thrown by Lens.',
    ),
  ).toBeInTheDocument();
  expect(asked).toHaveBeenCalledWith('s', 'a');
});

test('what is turned off by hand is said first', () => {
  vi.spyOn(api, 'caustics').mockResolvedValue(seen);
  shown('on', { causticLevel: 0 });
  expect(screen.getByText('Their level is 0.')).toBeInTheDocument();
  shown('on', { muted: true });
  expect(screen.getByText('The light is muted.')).toBeInTheDocument();
});
