import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { BitSet, type StateSpace } from '../../../../core/states/index.ts';

/** Which states are chosen to be painted together. */
export interface Painting {
  chosen: ReadonlySet<number>;
  choose(states: Iterable<number>): void;
  /** Puts the cursor back into the matrix. */
  toMatrix(): void;
  /** Goes on to the brush: what the chosen states shall show. */
  toBrush(): void;
  /** True while the cursor is on its way to the brush, so that what is typed already is not taken for keys of the matrix. */
  onTheWay(): boolean;
}

const Shared = createContext<Painting | undefined>(undefined);

let waiting = 0;
/** Puts the cursor into a field that may be drawn only a few frames from now. */
function focusSoon(selector: string, frames = 30): void {
  const field = document.querySelector<HTMLElement>(selector);
  waiting = field ? 0 : frames;
  if (field) field.focus();
  else if (frames > 0) requestAnimationFrame(() => focusSoon(selector, frames - 1));
}

export function PaintingOf({ children }: { children: ReactNode }) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const painting = useMemo((): Painting => ({
    chosen, choose: (states) => setChosen(new Set(states)),
    toMatrix: () => document.querySelector<HTMLElement>('.matrix [role="grid"]')?.focus(),
    toBrush: () => focusSoon('.brush input'), onTheWay: () => waiting > 0,
  }), [chosen]);
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
