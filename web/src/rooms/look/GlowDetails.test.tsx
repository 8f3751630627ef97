import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import type { Glow } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { renderAtDesk } from '../../live/renderAtDesk';
import { atRest } from '../../motion/atRest';
import { GlowDetails } from './GlowDetails';
import { newGlow } from './plain';

const keep = vi.fn(() => Promise.resolve(true));

function shown(glows: Glow[]) {
  const document = {
    motion: atRest,
    lights: [
      { id: 'key', name: 'Key' },
      { id: 'lamp', name: 'Lamp core' },
    ],
    materials: [{ id: 'glass', name: 'Red glass' }],
    pieces: [{ id: 'ball', name: 'Ball', parent: null, shape: {} }],
    shots: [{ id: 's', look: 'l' }],
    looks: [{ id: 'l', glows }],
  };
  renderAtDesk(<GlowDetails />, document, { keep });
}

afterEach(() => {
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
});

const edited = (path: string, value: unknown) => [
  { op: 'replace', path: `/looks/0/glows${path}`, value },
];

test('without a glow it says what one is for, and adds one as one edit', async () => {
  shown([]);
  expect(screen.getByText(/The lens spreads nothing/)).toBeVisible();
  await userEvent.click(screen.getByRole('button', { name: 'A glow' }));
  expect(keep).toHaveBeenCalledWith('Add Glow', edited('', [newGlow([])]));
  expect(useChoice.getState().glow).toBe('glow-1');
});

test('a part that is off shows no numbers, and is switched on as an edit of its own', async () => {
  shown([newGlow([])]);
  expect(screen.getByLabelText('Level of the bloom')).toHaveValue('0.15');
  const rays = within(screen.getByRole('group', { name: 'Star rays' }));
  expect(rays.queryByRole('textbox')).toBeNull();
  await userEvent.click(rays.getByLabelText('Star rays'));
  expect(keep).toHaveBeenCalledWith('Star rays of Glow on', edited('/0/starRays/on', true));
});

test('of several glows the chosen one is shown', async () => {
  const first = newGlow([]);
  const second = { ...newGlow([first]), starRays: { ...first.starRays, on: true } };
  shown([first, second]);
  expect(screen.queryByLabelText('Level of the star rays')).toBeNull();
  await userEvent.click(screen.getByRole('tab', { name: 'Glow 2' }));
  expect(screen.getByLabelText('Level of the star rays')).toBeInTheDocument();
});

test('lights that glow are chosen one by one', async () => {
  shown([{ ...newGlow([]), source: { kind: 'lights', of: ['key'] } }]);
  const source = within(screen.getByRole('group', { name: 'Source of Glow' }));
  expect(source.getByRole('button', { name: 'Key' })).toHaveAttribute('aria-pressed', 'true');
  await userEvent.click(source.getByRole('button', { name: 'Lamp core' }));
  expect(keep).toHaveBeenCalledWith('Source of Glow', edited('/0/source/of', ['key', 'lamp']));
});

test('pieces are pointed at, and taken out by pointing again', async () => {
  shown([{ ...newGlow([]), source: { kind: 'pieces', of: ['ball'] } }]);
  await userEvent.click(screen.getByRole('button', { name: 'Point at them …' }));
  useChoice.getState().armed!.then!({ piece: 'ball' } as never);
  expect(keep).toHaveBeenCalledWith('Source of Glow', edited('/0/source/of', []));
});

test('a glow is deleted', async () => {
  shown([newGlow([])]);
  await userEvent.click(screen.getByRole('button', { name: 'Delete Glow' }));
  expect(keep).toHaveBeenCalledWith('Delete Glow', edited('', []));
});
