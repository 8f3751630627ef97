import { useEffect, useState } from 'react';

/** A value once it has stayed the same for a while. */
export function useDebounced<T>(value: T, millis: number): T {
  const text = JSON.stringify(value);
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), millis);
    return () => clearTimeout(timer);
  }, [text, millis]);
  return JSON.parse(settled) as T;
}
