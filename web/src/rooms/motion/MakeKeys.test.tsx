import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../api/client';
import type { Operation, ShootDocument } from '../../api/document';
import { useChoice } from '../../frame/choice';
import { ShootContext, type ShootDesk } from '../../live/useShoot';
import { atRest } from '../../motion/atRest';
import { MakeKeys } from './MakeKeys';
import { useMotion } from './motionChoice';
import { MOVES } from './moves';

const keep = vi.fn(() => Promise.resolve(true));
const operations: Operation[] = [{ op: 'replace', path: '/motion/tracks', value: [] }];

function shown() {
  const document = {
    pieces: [
      { id: 'vase', name: 'Vase', shape: { kind: 'sphere' } },
      { id: 'pool', name: 'Pool', shape: { kind: 'water' } },
    ],
    lights: [
      { id: 'key', name: 'Key', emitter: { kind: 'spot' } },
      { id: 'sky', name: 'Sky', emitter: { kind: 'sky' } },
    ],
    banks: [],
    shots: [{ id: 'wide', name: 'Wide' }],
    motion: atRest,
  } as unknown as ShootDocument;
  const desk = { state: { document, id: 'a' }, document, keep } as unknown as ShootDesk;
  render(
    <ShootContext.Provider value={desk}>
      <MakeKeys />
    </ShootContext.Provider>,
  );
}

async function choose(move: string) {
  await userEvent.click(screen.getByRole('combobox', { name: 'Move' }));
  await userEvent.click(screen.getByRole('option', { name: move }));
}

afterEach(() => {
  vi.restoreAllMocks();
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
  useMotion.setState(useMotion.getInitialState(), true);
});

test('a move is made of what is chosen, over the frames that are said, as one edit', async () => {
  const made = vi.spyOn(api, 'moveKeys').mockResolvedValue({ operations, places: ['a/b/c'] });
  useChoice.setState({ piece: 'pool' });
  shown();
  expect(screen.getByRole('combobox', { name: 'Of' })).toHaveTextContent('Pool');
  const to = screen.getByLabelText('To frame');
  await userEvent.clear(to);
  await userEvent.type(to, '48{Enter}');
  await userEvent.click(screen.getByRole('button', { name: 'Make keys' }));
  expect(made).toHaveBeenCalledWith('a', {
    kind: 'TURNTABLE',
    of: 'pool',
    firstFrame: 1,
    lastFrame: 48,
    numbers: { turns: 1 },
  });
  await waitFor(() => expect(keep).toHaveBeenCalledWith('Turntable of Pool', operations));
  expect(useMotion.getState().tracks).toEqual(['a/b/c']);
});

test('a move is offered only what can move so', async () => {
  shown();
  await choose('Sun through the day');
  expect(screen.getByRole('combobox', { name: 'Of' })).toHaveTextContent('Sky');
  expect(screen.getByLabelText('Latitude')).toHaveValue('52');
  await choose('Chase');
  expect(screen.getByText(/nothing in the shoot that can move so/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Make keys' })).toBeNull();
});

test('a light follows a sound that is chosen', async () => {
  const made = vi.spyOn(api, 'soundKeys').mockResolvedValue({ operations, places: [] });
  shown();
  await choose('Sound');
  const sound = new File([new Uint8Array(8)], 'bell.wav');
  await userEvent.upload(screen.getByLabelText('Sound file'), sound);
  expect(made).toHaveBeenCalledWith(
    'a',
    { light: 'key', stops: 4, firstFrame: 1, lastFrame: 72 },
    sound,
  );
});

test('every move has its words', () => {
  for (const { text, says, parameters } of MOVES) {
    expect(text).not.toBe('');
    expect(says.endsWith('.')).toBe(true);
    for (const { start, quantity } of parameters) {
      expect(start).toBeGreaterThanOrEqual(quantity.least);
      expect(start).toBeLessThanOrEqual(quantity.most);
    }
  }
});
