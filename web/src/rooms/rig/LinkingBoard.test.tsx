import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { useChoice } from '../../frame/choice';
import { renderAtDesk } from '../../live/renderAtDesk';
import { LinkingBoard } from './LinkingBoard';

const keep = vi.fn(() => Promise.resolve(true));
const everything = { only: false, pieces: [] };
const nothing = { only: true, pieces: [] };

const piece = (id: string, name: string, parent: string | null = null) => ({
  id,
  name,
  parent,
  shape: { kind: 'sphere', radius: 1 },
});

const light = (id: string, name: string, kind: string, shadowLinking: object = everything) => ({
  id,
  name,
  emitter: { kind },
  lightLinking: everything,
  shadowLinking,
});

function shown() {
  const document = {
    pieces: [piece('stand', 'Stand'), piece('ball', 'Ball', 'stand'), piece('card', 'Card')],
    lights: [
      light('key', 'Key', 'rectangle'),
      light('fill', 'Fill', 'rectangle', nothing),
      light('back', 'Backdrop picture', 'plate'),
    ],
  };
  renderAtDesk(<LinkingBoard />, document, { keep });
}

afterEach(() => {
  keep.mockClear();
  useChoice.setState(useChoice.getInitialState(), true);
});

const cell = (name: string) => screen.getByRole('gridcell', { name });

test('every piece stands by every light that lights, with what the link says', () => {
  shown();
  expect(screen.getAllByRole('rowheader').map((r) => r.textContent)).toEqual([
    'Stand',
    'Ball',
    'Card',
  ]);
  expect(screen.getAllByRole('columnheader')).toHaveLength(2);
  expect(cell('Ball by Key: lit, and casts its shadow')).toBeInTheDocument();
  expect(cell('Ball by Fill: lit, casts no shadow')).toBeInTheDocument();
});

test('a cell goes on to the next state by Enter, as one edit of both links', async () => {
  shown();
  cell('Card by Key: lit, and casts its shadow').focus();
  await userEvent.keyboard('{Enter}');
  expect(keep).toHaveBeenCalledTimes(1);
  const [edit, operations] = keep.mock.calls[0] as unknown as [string, { path: string }[]];
  expect(edit).toBe('Links');
  expect(operations).toEqual([
    expect.objectContaining({ path: '/lights/0/lightLinking', value: everything }),
    expect.objectContaining({
      path: '/lights/0/shadowLinking',
      value: expect.objectContaining({ pieces: ['card'] }) as object,
    }),
  ]);
});

test('painting over several cells is one edit', () => {
  shown();
  fireEvent.pointerDown(cell('Ball by Key: lit, and casts its shadow'), { button: 0 });
  fireEvent.pointerEnter(cell('Card by Key: lit, and casts its shadow'));
  expect(cell('Card by Key: lit, casts no shadow')).toBeInTheDocument();
  expect(keep).not.toHaveBeenCalled();
  fireEvent.pointerUp(window);
  expect(keep).toHaveBeenCalledTimes(1);
  const operations = (
    keep.mock.calls[0] as unknown as [string, { value: { pieces: string[] } }[]]
  )[1];
  expect([...operations.at(-1)!.value.pieces].sort()).toEqual(['ball', 'card']);
});

test('filters keep what has the letters, and a light is chosen by its name', async () => {
  shown();
  await userEvent.type(screen.getByLabelText('Pieces by name'), 'car');
  expect(screen.getAllByRole('rowheader').map((r) => r.textContent)).toEqual(['Card']);
  await userEvent.type(screen.getByLabelText('Lights by name'), 'fi');
  await userEvent.click(screen.getByRole('columnheader', { name: /Fill/ }));
  expect(useChoice.getState().light).toBe('fill');
});
