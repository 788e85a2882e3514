import { memo, type ReactNode } from 'react';
import { sameData } from '../../core/mod/index.ts';

/**
 * Keeps a part of an editor still while data that it does not show is changing. `of` is everything
 * that the part shows; what it calls must not depend on anything else that changes.
 */
export const Still = memo(
  function Still({ children }: { of: unknown; children: () => ReactNode }) {
    return <>{children()}</>;
  },
  (before, now) => sameData(before.of, now.of),
);
