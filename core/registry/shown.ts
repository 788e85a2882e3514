import { registered, type Ledger, type Registered } from '../mod/index.ts';
import type { CodeLayout } from '../states/index.ts';

export type LedgerEntry = Ledger['entries'][number];
/** How the ledger can be listed: by the order of registering, by number, or by name. */
export type LedgerOrder = 'order' | 'number' | 'name';

const collator = new Intl.Collator('en', { numeric: true });
const rankOf = (kind: Registered): number => registered.indexOf(kind);

/** The entries of a ledger that are or were called so, or have that number, in order. */
export function shownEntries(
  entries: readonly LedgerEntry[],
  filter: string,
  order: LedgerOrder,
): LedgerEntry[] {
  const wanted = filter.trim().toLowerCase();
  const compare: Record<LedgerOrder, (a: LedgerEntry, b: LedgerEntry) => number> = {
    order: (a, b) => rankOf(a.kind) - rankOf(b.kind) || a.number - b.number,
    number: (a, b) => a.number - b.number,
    name: (a, b) => collator.compare(a.name, b.name),
  };
  return entries
    .filter(
      ({ name, number, formerly = [] }) =>
        String(number) === wanted || [name, ...formerly].some((one) => one.includes(wanted)),
    )
    .sort(compare[order]);
}

/** How the states of a block are stored, in a few words: `0–23, 5 bits`. */
export function codesInWords({ kind, bits }: CodeLayout, states: number): string {
  if (states === 1) return '0';
  const last = Math.min(2 ** bits, states) - 1;
  const how = kind === 'mixed-radix' ? `0–${last}` : kind === 'table' ? 'table' : 'fields';
  return `${how}, ${bits} bits`;
}
