import { memo, type ReactNode } from 'react';

/**
 * Keeps a part as it was drawn for as long as everything in `of` is the same object. For large
 * parts beside something that moves with every key; what they call must not depend on anything else
 * that changes.
 */
export const Steady = memo(
  function Steady({ children }: { of: readonly unknown[]; children: () => ReactNode }) {
    return <>{children()}</>;
  },
  (before, now) =>
    before.of.length === now.of.length && before.of.every((one, i) => Object.is(one, now.of[i])),
);
