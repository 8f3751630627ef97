import { useEffect, useState } from 'react';

/** The address of a picture once it is loaded: the one before stays until the next is there. */
export function useLoaded(url: string): string | null {
  const [loaded, setLoaded] = useState<string | null>(null);
  useEffect(() => {
    const next = new Image();
    let gone = false;
    next.onload = () => gone || setLoaded(url);
    next.src = url;
    return () => {
      gone = true;
    };
  }, [url]);
  return loaded;
}
