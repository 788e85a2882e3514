import type { DataSource } from 'typeorm';
import type { UnfitEntry } from '../../core/api/index.ts';
import { pointer } from '../../core/json/index.ts';
import {
  bringEntryForward,
  currentEdition,
  emptyMod,
  entryKinds,
  entrySchemas,
  schemaProblems,
  type Mod,
} from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import { readSteps, type Steps } from './steps.ts';
import { EntryTable, ModTable, type EntryRow } from './tables.ts';

/**
 * A mod as the store holds it: the document, its revision, what undo and redo would take, and what
 * was left out.
 */
export interface HeldMod extends Steps {
  mod: Mod;
  revision: number;
  built: number | null;
  unfit: UnfitEntry[];
}

/** Reads a mod. Throws a 404 {@link Problem} when there is none of that name. */
export async function readHeld(source: DataSource, name: string): Promise<HeldMod> {
  const row = await source.getRepository(ModTable).findOneBy({ name });
  if (!row) throw new Problem(404, 'No such mod', `There is no mod called ${name.slice(0, 100)}.`);
  if (row.removed !== null)
    throw new Problem(404, 'In the bin', `${name} lies in the bin. Bring it back first.`);
  const held: HeldMod = {
    mod: emptyMod(name, name),
    revision: row.revision,
    built: row.built,
    unfit: [],
    ...(await readSteps(source.manager, name)),
  };
  for (const entry of await source.getRepository(EntryTable).findBy({ mod: name }))
    putEntry(held, entry);
  return held;
}

/** Puts one row into the mod or, when it does not fit, among what was left out. */
function putEntry({ mod, unfit }: HeldMod, row: EntryRow): void {
  const { kind, name } = row;
  const isSingle = kind === 'header' || kind === 'ledger';
  const read = readEntry(row);
  if ('message' in read) unfit.push({ kind, name: isSingle ? '' : name, message: read.message });
  else if (isSingle) Object.assign(mod, { [kind]: read.document });
  else Object.assign(mod[kind as (typeof entryKinds)[number]], { [name]: read.document });
}

/** The document of a row in the current edition, or why there is none. */
function readEntry({
  kind,
  document,
  edition,
}: EntryRow): { document: object } | { message: string } {
  if (!Object.hasOwn(entrySchemas, kind)) return { message: 'Nothing of that kind is known.' };
  if (edition > currentEdition)
    return {
      message: `It was written by a newer Obrank (edition ${edition}; this one knows ${currentEdition}).`,
    };
  let value: unknown;
  try {
    value = bringEntryForward(kind, JSON.parse(document), edition);
  } catch (error) {
    return { message: `It cannot be read as JSON: ${(error as Error).message}.` };
  }
  const fits = entrySchemas[kind as keyof typeof entrySchemas].safeParse(value, {
    reportInput: true,
  });
  if (fits.success) return { document: value as object };
  const [first] = schemaProblems(fits.error);
  return { message: first ? `${pointer(first.path)}: ${first.message}` : 'It does not fit.' };
}
