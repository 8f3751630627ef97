import { useEffect, useState } from 'react';
import { useLive, type LiveState } from './store';

const CALM_MILLIS = 250;

/** What comes over the channel, some times a second; for what need not follow every picture. */
export function useThrottledLive(): LiveState {
  const [seen, setSeen] = useState(useLive.getState);
  useEffect(() => {
    let since = -Infinity;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const take = () => {
      timer = undefined;
      since = performance.now();
      setSeen(useLive.getState());
    };
    const end = useLive.subscribe(() => {
      const left = since + CALM_MILLIS - performance.now();
      if (left <= 0) take();
      else timer ??= setTimeout(take, left);
    });
    return () => {
      clearTimeout(timer);
      end();
    };
  }, []);
  return seen;
}
