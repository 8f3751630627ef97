import type { Operation, ShootDocument } from '../api/document';

type List = 'pieces' | 'materials' | 'lights' | 'banks' | 'shots' | 'looks';

/** Takes out the tracks and links of what is deleted from a list; a shoot keeps none without its place. */
export function withoutTracks(list: List, gone: Set<string>, document: ShootDocument): Operation[] {
  const { tracks, links } = document.motion;
  const stays = (place: string) => {
    const [of, id = ''] = place.split('/');
    return of !== list || !gone.has(id);
  };
  const keptTracks = tracks.filter(({ place }) => stays(place));
  const keptLinks = links.filter(({ place, from }) => stays(place) && stays(from));
  const to: Operation[] = [];
  if (keptTracks.length < tracks.length) {
    to.push({ op: 'replace', path: '/motion/tracks', value: keptTracks });
  }
  if (keptLinks.length < links.length) {
    to.push({ op: 'replace', path: '/motion/links', value: keptLinks });
  }
  return to;
}
