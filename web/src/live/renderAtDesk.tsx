import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { ShootDocument } from '../api/document';
import { ShootContext, type ShootDesk } from './useShoot';

/**
 * For tests: renders what stands in a shoot, with as much of its document and of the desk's hands
 * as it needs.
 */
export function renderAtDesk(node: ReactNode, document: object, hands: Partial<ShootDesk>) {
  const whole = document as ShootDocument;
  const state = { id: 's', document: whole };
  const desk = { state, document: whole, ...hands } as unknown as ShootDesk;
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <ShootContext.Provider value={desk}>{node}</ShootContext.Provider>
    </QueryClientProvider>,
  );
}
