import { itemAt } from '../lists/index.ts';
import { mixedRadix, type CodeLayout, type StateSpace } from '../states/index.ts';
import type { Change } from './edit.ts';
import type { Ledger, Registered } from './ledger.schema.ts';

/** The next number that was never given: above every number in use and every retired one. */
export const nextNumber = ({ entries, retired }: Ledger): number =>
  [...entries, ...retired].reduce((next, { number }) => Math.max(next, number + 1), 0);

/**
 * The changes that retire an entry: its number is never given again. How its states were stored no
 * longer matters.
 */
export function retire({ entries, retired }: Ledger, index: number): Change[] {
  const { codes: _gone, ...entry } = itemAt(entries, index);
  return [
    {
      path: '/ledger/entries',
      before: entries,
      after: entries.filter((_, other) => other !== index),
    },
    { path: '/ledger/retired', before: retired, after: [...retired, entry] },
  ];
}

/**
 * What was taken away under a name: its entry among the retired, where nothing of that kind has the
 * name now. Who still names it has not misspelt anything.
 */
export const retiredNamed = (
  { retired }: Ledger,
  name: string,
  kinds: readonly Registered[],
): Ledger['retired'][number] | undefined =>
  retired.findLast((entry) => entry.name === name && kinds.includes(entry.kind));

const held = new WeakMap<Ledger['entries'], Map<string, CodeLayout>>();

/** The layout of a block's state codes that the ledger holds, if it holds one. */
export function heldCodes({ entries }: Ledger, block: string): CodeLayout | undefined {
  let byBlock = held.get(entries);
  if (!byBlock) {
    byBlock = new Map(
      entries.flatMap(({ kind, name, codes }) =>
        kind === 'block' && codes ? [[name, codes]] : [],
      ),
    );
    held.set(entries, byBlock);
  }
  return byBlock.get(block);
}

/**
 * How a block's states are stored: as the ledger holds it or, where it holds nothing, mixed radix
 * over the properties as they stand.
 */
export const codesOf = (ledger: Ledger, block: string, space: StateSpace): CodeLayout =>
  heldCodes(ledger, block) ?? mixedRadix(space);
