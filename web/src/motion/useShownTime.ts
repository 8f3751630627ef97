import { useEffect } from 'react';
import type { LiveChannel } from '../live/channel';
import type { ShootDesk } from '../live/useShoot';
import { atRest } from './atRest';
import { usePlayback } from './usePlayback';
import { secondsOf, useTime } from './time';

/** Has the live picture show the time that the page shows; not while it plays what it has kept. */
export function useShownTime(channel: LiveChannel | null, desk: ShootDesk | null) {
  const { frame, playing } = useTime();
  const motion = desk?.state.document.motion;
  const id = desk?.state.id;
  const first = motion?.firstFrame;
  useEffect(() => {
    if (id !== undefined) useTime.setState({ frame: first, playing: false, record: false });
    // Only another shoot begins anew, not another range.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  const moves = (motion?.tracks.length ?? 0) > 0;
  const seconds = motion && moves ? secondsOf(motion, frame) : null;
  useEffect(() => {
    if (!playing) channel?.time(seconds);
  }, [channel, seconds, playing]);
  useEffect(() => {
    if (!playing) return;
    channel?.rest(true);
    return () => channel?.rest(false);
  }, [channel, playing]);
  usePlayback(motion ?? atRest);
}
