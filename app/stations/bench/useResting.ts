import { useEffect, useState } from 'react';

/** Moves that follow each other faster than this are one for whoever waits, ms. */
const RESTS_AFTER_MS = 80;

/** A value once it rests: while a key is held, what takes its time is not worked out for every stop in between. */
export function useResting<T>(value: T): T {
  const [resting, setResting] = useState(value);
  useEffect(() => {
    const waiting = setTimeout(() => setResting(value), RESTS_AFTER_MS);
    return () => clearTimeout(waiting);
  }, [value]);
  return resting;
}
