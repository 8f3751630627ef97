import { useEffect, useRef } from 'react';
import { api } from '../api/client';
import { useChosenShot } from '../frame/useChosenShot';
import { useDesk } from '../live/useShoot';
import { outdated, useFrames, wantedNext, withFrame } from './frames';
import { useTime } from './time';

export const DRAFT_WIDTH = 320;

/** Requests on their way at once: the renderer makes one after the other. */
const AT_ONCE = 2;
const AGAIN_MILLIS = 1500;

/** Fetches small frames round the playhead as long as this is shown, and anew what has changed. */
export function useDraftFrames() {
  const { state } = useDesk();
  const shot = useChosenShot().id;
  const { id, revision } = state;
  const { firstFrame, lastFrame, framesPerSecond, tracks } = state.document.motion;
  const moves = tracks.length > 0;
  const of = useRef('');

  useEffect(() => {
    const same = `${id} ${shot}`;
    const { drafts } = useFrames.getState();
    if (of.current === same) useFrames.setState({ drafts: outdated(drafts) });
    else {
      drafts.forEach((draft) => draft.picture.close());
      useFrames.setState({ drafts: new Map() });
    }
    of.current = same;
    if (!moves) return;
    const end = new AbortController();
    const coming = new Set<number>();
    const pump = () => {
      while (coming.size < AT_ONCE && !end.signal.aborted) {
        const { frame: at, playing } = useTime.getState();
        const range = { first: firstFrame, last: lastFrame, at, playing };
        const frame = wantedNext(useFrames.getState().drafts, coming, range);
        if (frame === null) return;
        coming.add(frame);
        void api
          .draftFrame(id, shot, frame, DRAFT_WIDTH, end.signal)
          .then(
            (picture) => {
              if (end.signal.aborted) picture.close();
              else {
                useFrames.setState({
                  drafts: withFrame(useFrames.getState().drafts, frame, picture),
                });
              }
            },
            // It is asked for again after a while: the renderer may have had others to make first.
            () => new Promise((resolve) => setTimeout(resolve, AGAIN_MILLIS)),
          )
          .finally(() => {
            coming.delete(frame);
            pump();
          });
      }
    };
    pump();
    const moved = useTime.subscribe((now, before) => now.frame !== before.frame && pump());
    return () => {
      moved();
      end.abort();
    };
  }, [id, shot, revision, firstFrame, lastFrame, framesPerSecond, moves]);
}
