import type { z } from 'zod';
import { parseFitting } from '../json/index.ts';
import { entryKinds, entrySchemas, type Mod } from './mod.schema.ts';

const known = new WeakMap<object, object>();

/**
 * An entry with its keys in the order of its schema; one that does not fit is given back as it is.
 */
function entryInOrder(kind: keyof typeof entrySchemas, entry: object): object {
  const before = known.get(entry);
  if (before) return before;
  const fits = parseFitting<z.ZodType>(entrySchemas[kind], entry);
  const ordered = fits.success ? (fits.data as object) : entry;
  known.set(entry, ordered);
  return ordered;
}

/**
 * The mod with all keys in one order, whatever its history: an edit and its undo put a key at the
 * end, and the order of keys shows in the files. Entries that are the same objects as before are
 * not looked at again.
 */
export function inOrder(mod: Mod): Mod {
  const entries = entryKinds.map((kind) => [
    kind,
    Object.fromEntries(
      Object.entries(mod[kind])
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([name, entry]: [string, object]) => [name, entryInOrder(kind, entry)]),
    ),
  ]);
  return {
    header: entryInOrder('header', mod.header),
    ledger: entryInOrder('ledger', mod.ledger),
    ...Object.fromEntries(entries),
  } as Mod;
}
