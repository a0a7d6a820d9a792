import { useEffect, useRef, type RefObject } from 'react';

/** What the newest rendering has, for a drag that outlives the one it began in. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return latest;
}
