import { itemAt } from '../../../../core/lists/index.ts';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { lootSource, truthTable, type TruthTable } from '../../../../core/loot/index.ts';
import type { ResolvedBlock } from '../../../../core/mod/index.ts';
import { BitSet } from '../../../../core/states/index.ts';
import { useMod } from '../../../api/hooks.tsx';

/** What is chosen in the truth table of drops, and how it is laid out. */
export interface DropChoice {
  truth: TruthTable;
  /** The cell that the keys stand on. */
  cursor: number;
  chosen: ReadonlySet<number>;
  /** Properties that the columns tell apart although the loot does not ask for them. */
  named: readonly string[];
  luck: number;
  move: (cursor: number, chosen: Iterable<number>) => void;
  show: (named: readonly string[]) => void;
  setLuck: (luck: number) => void;
}

const Shared = createContext<DropChoice | undefined>(undefined);

export function DropChoiceOf({ block, children }: { block: ResolvedBlock; children: ReactNode }) {
  const mod = useMod();
  const { header, lootTables } = mod;
  const [named, setNamed] = useState<readonly string[]>([]);
  const [luck, setLuck] = useState(0);
  const [at, setAt] = useState<{ cursor: number; chosen: ReadonlySet<number> }>({
    cursor: 0,
    chosen: new Set(),
  });
  // Worked out when somebody looks at it: other facets change the block as well.
  const made = useMemo(() => {
    let truth: TruthTable | undefined;
    return () =>
      (truth ??= truthTable(block, header, lootSource({ header, lootTables }, block), named, luck));
  }, [block, header, lootTables, named, luck]);
  const choice = useMemo(
    (): DropChoice => ({
      get truth() {
        return made();
      },
      get cursor() {
        return Math.min(at.cursor, made().space.size - 1);
      },
      get chosen() {
        return at.chosen.size
          ? new Set([...at.chosen].filter((cell) => cell < made().space.size))
          : at.chosen;
      },
      named,
      luck,
      move: (cursor, chosen) => setAt({ cursor, chosen: new Set(chosen) }),
      show: setNamed,
      setLuck,
    }),
    [made, named, luck, at],
  );
  return <Shared value={choice}>{children}</Shared>;
}

export function useDropChoice(): DropChoice {
  const choice = useContext(Shared);
  if (!choice) throw new Error('used outside of a bench');
  return choice;
}

/** Some cells as a set; with a blast both of its cells, which are one. */
export function asCells(cells: Iterable<number>, { space, ways }: TruthTable): BitSet {
  const set = new BitSet(space.size);
  for (const cell of cells) {
    set.add(cell);
    if (itemAt(ways, space.digit(cell, 0)).blast)
      set.add(space.withDigit(cell, 1, 0)).add(space.withDigit(cell, 1, 1));
  }
  return set;
}
