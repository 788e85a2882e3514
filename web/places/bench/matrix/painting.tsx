import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { focusSoon } from '../../../parts/focus-soon.ts';
import { BitSet, type StateSpace } from '../../../../core/states/index.ts';

/** Which states are chosen to be painted together. */
export interface Painting {
  chosen: ReadonlySet<number>;
  choose: (states: Iterable<number>) => void;
  /** Puts the cursor back into the matrix. */
  toMatrix: () => void;
  /** Goes on to the brush: what the chosen states shall show. */
  toBrush: () => void;
}

const Shared = createContext<Painting | undefined>(undefined);

export function PaintingOf({ children }: { children: ReactNode }) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const painting = useMemo(
    (): Painting => ({
      chosen,
      choose: (states) => setChosen(new Set(states)),
      toMatrix: () => document.querySelector<HTMLElement>('#state-matrix')?.focus(),
      toBrush: () => focusSoon('#brush input'),
    }),
    [chosen],
  );
  return <Shared value={painting}>{children}</Shared>;
}

export function usePainting(): Painting {
  const painting = useContext(Shared);
  if (!painting) throw new Error('used outside of a bench');
  return painting;
}

/** The chosen states as a set over a space; those that the space no longer has are left out. */
export const asStates = (chosen: Iterable<number>, space: StateSpace): BitSet => {
  const set = new BitSet(space.size);
  for (const state of chosen) if (state < space.size) set.add(state);
  return set;
};
