import { startTransition, useEffect, useState, type ReactNode } from 'react';

/**
 * Comes some frames after what stands around it, in slices, so that opening something large never
 * holds the page up. What it shows
 * must be able to come late: whatever the person looks at or uses first does not belong here.
 */
export function Later({ frames, children }: { frames: number; children: ReactNode }) {
  const [left, setLeft] = useState(frames);
  useEffect(() => {
    if (left === 0) return;
    const frame = requestAnimationFrame(() => startTransition(() => setLeft(left - 1)));
    return () => cancelAnimationFrame(frame);
  }, [left]);
  return left === 0 ? children : null;
}
