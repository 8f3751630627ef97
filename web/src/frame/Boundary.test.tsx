import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { Boundary } from './Boundary';

afterEach(() => {
  vi.restoreAllMocks();
});

test('a part that fails says what happened and opens again', async () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
  let broken = true;
  function Part() {
    if (broken) throw new Error('the tray lost its lights');
    return <p>whole</p>;
  }
  const again = vi.fn(() => {
    broken = false;
  });
  render(
    <Boundary onAgain={again}>
      <Part />
    </Boundary>,
  );
  expect(screen.getByRole('alert')).toHaveTextContent('the tray lost its lights');
  broken = false;
  await userEvent.click(screen.getByRole('button', { name: 'Open again' }));
  expect(again).toHaveBeenCalledOnce();
  expect(screen.getByText('whole')).toBeVisible();
});
