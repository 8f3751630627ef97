import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import type { Material } from '../../api/document';
import { MaterialCaustics } from './MaterialCaustics';

const glass = {
  name: 'Float glass',
  transmission: 1,
  metalness: 0,
  roughness: 0,
  castsCaustics: true,
} as unknown as Material;

function shown(material: Material) {
  const onChange = vi.fn();
  render(<MaterialCaustics material={material} onChange={onChange} />);
  return onChange;
}

test('glass may be told to cast none', async () => {
  const onChange = shown(glass);
  expect(screen.queryByText(/^Only up to/)).toBeNull();
  await userEvent.click(screen.getByLabelText('Casts caustics'));
  expect(onChange).toHaveBeenCalledWith('Float glass without caustics', false);
});

test('says that frosted glass is too rough', () => {
  shown({ ...glass, roughness: 0.4 });
  expect(
    screen.getByText('Only up to a roughness of 0.25; rougher, paths find its light.'),
  ).toBeInTheDocument();
});

test('a matte surface has no such switch', () => {
  shown({ ...glass, transmission: 0 });
  expect(screen.queryByLabelText('Casts caustics')).toBeNull();
});
