import { startTransition, useEffect, useState } from 'react';

/**
 * How much of a long list is laid out by now: a first part at once, and then, frame by frame, so much
 * more until all of it is there. So a long list never holds the page up, and what one looks at first
 * is there first.
 */
export function useGrowing(first: number, step: number, all: number): number {
  const [shown, setShown] = useState(first);
  useEffect(() => {
    if (shown >= all) return;
    const frame = requestAnimationFrame(() => startTransition(() => setShown(shown + step)));
    return () => cancelAnimationFrame(frame);
  }, [shown, step, all]);
  return Math.min(shown, all);
}
