import type { Motion } from '../api/document';
import { usualOf } from '../desk/usual';

/** Nothing moves: as a shoot begins. */
export const atRest = usualOf<Motion>('motion');
