import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { NumberField } from './NumberField';
import { quantities } from './quantity';

const onTry = vi.fn();
const onKeep = vi.fn();
const onLeave = vi.fn();

function shown(value: number, start?: number) {
  render(
    <NumberField
      label="Width"
      value={value}
      start={start}
      quantity={quantities.length}
      onTry={onTry}
      onKeep={onKeep}
      onLeave={onLeave}
    />,
  );
  return screen.getByRole('textbox', { name: 'Width' });
}

afterEach(() => {
  for (const f of [onTry, onKeep, onLeave]) f.mockClear();
  vi.useRealTimers();
});

test('a number with a unit is typed and taken by Enter', async () => {
  const field = shown(1);
  await userEvent.clear(field);
  await userEvent.type(field, '25 cm{Enter}');
  expect(onTry).toHaveBeenLastCalledWith(0.25);
  expect(onKeep).toHaveBeenCalledTimes(1);
});

test('what is no number is refused with the range that there is', async () => {
  const field = shown(1);
  await userEvent.clear(field);
  await userEvent.type(field, 'wide{Enter}');
  expect(field).toHaveAttribute('aria-invalid', 'true');
  expect(screen.getByRole('alert')).toHaveTextContent(/ to .* m$/);
  expect(onTry).not.toHaveBeenCalled();
});

test('Escape leaves what was typed', async () => {
  const field = shown(1);
  await userEvent.clear(field);
  await userEvent.type(field, '7{Escape}');
  expect(field).toHaveValue('1');
  expect(onLeave).toHaveBeenCalledTimes(1);
  expect(onTry).not.toHaveBeenCalled();
});

test('arrow keys step up and down', async () => {
  const field = shown(1);
  field.focus();
  await userEvent.keyboard('{ArrowUp}');
  expect(onTry.mock.calls.at(-1)![0]).toBeGreaterThan(1);
  await userEvent.keyboard('{ArrowDown}');
  expect(onTry.mock.calls.at(-1)![0]).toBeLessThan(1);
  expect(onKeep).toHaveBeenCalledTimes(2);
});

test('a value that is not the first shows what it was, and a double click sets it back', () => {
  shown(2, 1.5);
  expect(screen.getByRole('img', { name: 'Width was 1.5' })).toBeInTheDocument();
  fireEvent.doubleClick(screen.getByText('Width'));
  expect(onTry).toHaveBeenLastCalledWith(1.5);
  expect(onKeep).toHaveBeenCalledTimes(1);
});

test('a value as it was shows no dot', () => {
  shown(1.5, 1.5);
  expect(screen.queryByRole('img')).toBeNull();
});
