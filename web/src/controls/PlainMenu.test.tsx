import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import { PlainMenu } from './PlainMenu';

test('an item that is chosen is done, and the menu closes', async () => {
  const shadow = vi.fn();
  render(
    <PlainMenu
      label="What the light shall make"
      text="Place by pointing"
      framed
      head={() => <p>What shall the light make?</p>}
      items={[{ text: 'A highlight' }, { text: 'A shadow', onClick: shadow }]}
    />,
  );
  await userEvent.click(
    screen.getByRole('button', { name: 'What the light shall make: Place by pointing' }),
  );
  expect(screen.getByText('What shall the light make?')).toBeVisible();
  await userEvent.click(screen.getByRole('menuitem', { name: 'A shadow' }));
  expect(shadow).toHaveBeenCalledOnce();
  await vi.waitFor(() => expect(screen.queryByRole('menu')).toBeNull());
});
