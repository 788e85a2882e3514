import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * A function that stays the same while what it does is always that of the last drawing: for parts
 * that must not be drawn again.
 */
export function useStable<A extends unknown[], R>(act: (...args: A) => R): (...args: A) => R {
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
