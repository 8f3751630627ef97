import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test } from 'vitest';
import { sizes } from '../theme/theme';
import { useChoice } from './choice';
import { TrayEdge } from './TrayEdge';

afterEach(() => useChoice.setState(useChoice.getInitialState(), true));

test('arrow keys make the tray higher and lower, never lower than it is at first', async () => {
  render(<TrayEdge />);
  await userEvent.tab();
  const edge = screen.getByRole('separator', { name: 'Height of the tray' });
  expect(edge).toHaveFocus();
  await userEvent.keyboard('{ArrowUp}{ArrowUp}');
  expect(useChoice.getState().trayHeight).toBe(sizes.tray + 48);
  expect(edge).toHaveAttribute('aria-valuenow', String(sizes.tray + 48));
  await userEvent.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}{ArrowLeft}');
  expect(useChoice.getState().trayHeight).toBe(sizes.tray);
});

test('it leaves room for the picture, and a double click brings it back', () => {
  useChoice.setState({ trayHeight: window.innerHeight });
  render(<TrayEdge />);
  const edge = screen.getByRole('separator');
  fireEvent.keyDown(edge, { key: 'ArrowUp' });
  expect(useChoice.getState().trayHeight).toBe(window.innerHeight - sizes.top - 160);
  fireEvent.doubleClick(edge);
  expect(useChoice.getState().trayHeight).toBe(sizes.tray);
});
