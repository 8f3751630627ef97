import type { Operation, ShootDocument } from '../api/document';

type List = 'pieces' | 'materials' | 'lights' | 'banks' | 'shots' | 'looks';

/** Takes out the tracks of what is deleted from a list; a shoot keeps none without its place. */
export function untracked(list: List, gone: Set<string>, document: ShootDocument): Operation[] {
  const { tracks } = document.motion;
  const kept = tracks.filter(({ place }) => {
    const [of, id = ''] = place.split('/');
    return of !== list || !gone.has(id);
  });
  return kept.length === tracks.length
    ? []
    : [{ op: 'replace', path: '/motion/tracks', value: kept }];
}
