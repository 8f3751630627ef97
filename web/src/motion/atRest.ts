import type { Motion } from '../api/document';
import { defaultsOf } from '../desk/defaults';

/** Nothing moves: as a shoot begins. */
export const atRest = defaultsOf<Motion>('motion');
