import { render, screen } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import type { ShootDocument } from '../api/document';
import { useLive } from '../live/store';
import { ShootContext, type ShootDesk } from '../live/useShoot';
import { LightsLegend } from './LightsLegend';

function shown(kind: 'traced' | 'lights') {
  const live = useLive.getState();
  useLive.setState({
    view: { ...live.view, kind },
    progress: { ...live.progress, shares: { key: 0.2, fill: 0.75, off: 0 } } as never,
  });
  const document = {
    lights: [
      { id: 'key', name: 'Key' },
      { id: 'fill', name: 'Fill' },
      { id: 'off', name: 'Off' },
    ],
  } as unknown as ShootDocument;
  render(
    <ShootContext.Provider value={{ document } as unknown as ShootDesk}>
      <LightsLegend />
    </ShootContext.Provider>,
  );
}

afterEach(() => useLive.setState(useLive.getInitialState(), true));

test('lights that give something are listed with their patterns, most first', () => {
  shown('lights');
  const items = screen.getAllByRole('listitem');
  expect(items.map((i) => i.textContent)).toEqual(['Fill75 %', 'Key20 %']);
  expect(items[0]!.querySelector('img')).toHaveAttribute('src', '/api/light-patterns/1.png');
});

test('in other views it is not there', () => {
  shown('traced');
  expect(screen.queryByRole('list')).toBeNull();
});
