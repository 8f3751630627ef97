import type { ShootDocument } from '../api/document';
import type { LiveState } from './store';

/** Share of the picture's light that came over gloss and was softened or left out there, 0…1. */
export function shareOverGloss(
  { lights }: Pick<ShootDocument, 'lights'>,
  progress: LiveState['progress'],
): number {
  const own = progress?.overGloss ?? {};
  return lights.reduce((sum, l) => sum + (own[l.id] ?? 0) * (progress?.shares[l.id] ?? 0), 0);
}

export function percent(share: number): string {
  const value = 100 * share;
  return `${value < 1 ? value.toFixed(1) : Math.round(value)} %`;
}
