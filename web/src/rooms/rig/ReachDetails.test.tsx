import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { useChoice } from '../../frame/choice';
import { renderAtDesk } from '../../live/renderAtDesk';
import { atRest } from '../../motion/atRest';
import type { LightProps } from './props';
import { ReachDetails } from './ReachDetails';

const keep = vi.fn(() => Promise.resolve(true));
const everything = { only: false, pieces: [] };

function shown(others: object = {}) {
  const light = {
    id: 'a',
    name: 'Key',
    emitter: { kind: 'rectangle' },
    position: [0, 2, 0],
    lightLinking: everything,
    shadowLinking: everything,
    diffuse: 1,
    specular: 1,
    fadesAtMetres: 0,
    shadowDensity: 1,
    shadowColour: [0, 0, 0],
    seenDirectly: false,
    castsCaustics: 'automatic',
    mirror: null,
    ...others,
  } as unknown as LightProps['light'];
  const piece = (id: string, name: string) => ({ id, name, parent: null, shape: {} });
  const document = {
    motion: atRest,
    lights: [light],
    pieces: [piece('ball', 'Ball'), piece('card', 'Card')],
  };
  const set: LightProps['set'] = (_, field, value) => [
    { op: 'replace', path: `/lights/0/${field}`, value },
  ];
  renderAtDesk(<ReachDetails light={light} here={() => light} set={set} />, document, { keep });
}

afterEach(() => {
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
});

test('it says what is lit and what casts shadows', () => {
  shown();
  expect(screen.getByText('Every piece; every piece casts its shadow')).toBeVisible();
});

test('links of single pieces are counted', () => {
  shown({
    lightLinking: { only: true, pieces: ['card'] },
    shadowLinking: { only: true, pieces: [] },
  });
  expect(screen.getByText('1 of 2 pieces, without shadows')).toBeVisible();
  expect(screen.queryByLabelText('Depth of the shadow')).toBeNull();
});

test('a light is shown to the camera by a switch, as an edit of its own', async () => {
  shown();
  await userEvent.click(screen.getByLabelText('Seen by the camera'));
  expect(keep).toHaveBeenCalledWith('Show Key', [
    { op: 'replace', path: '/lights/0/seenDirectly', value: true },
  ]);
});

test('shadows are switched off as a whole', async () => {
  shown();
  await userEvent.click(screen.getByLabelText('Casts shadows'));
  expect(keep).toHaveBeenCalledWith('Shadow of Key', [
    { op: 'replace', path: '/lights/0/shadowLinking', value: { only: true, pieces: [] } },
  ]);
});

test('pieces are excluded by pointing at them, one after the other', async () => {
  shown();
  await userEvent.click(screen.getByRole('button', { name: 'Exclude pieces …' }));
  const armed = useChoice.getState().armed!;
  expect(armed.stays).toBe(true);
  armed.then!({ piece: 'ball' } as never);
  expect(keep).toHaveBeenCalledWith('Key without Ball', [
    {
      op: 'replace',
      path: '/lights/0/lightLinking',
      value: { only: false, pieces: ['ball'] },
    },
  ]);
});

test('the linking board is opened from here', async () => {
  shown();
  await userEvent.click(screen.getByRole('button', { name: 'Links …' }));
  expect(useChoice.getState().rigTray).toBe('links');
});

test('lights all round have no place from which they could fade', () => {
  shown({ emitter: { kind: 'dome' } });
  expect(screen.queryByLabelText(/Fades at/)).toBeNull();
  expect(screen.getByText('Lighting')).toBeVisible();
});

test('a backdrop picture lights nothing and has no reach', () => {
  shown({ emitter: { kind: 'plate' } });
  expect(screen.queryByText('Light linking')).toBeNull();
});
