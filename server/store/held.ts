import type { DataSource } from 'typeorm';
import { pointer } from '../../core/json/index.ts';
import {
  emptyMod,
  entryKinds,
  entrySchemas,
  schemaProblems,
  type Edit,
  type Mod,
} from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import { EditTable, EntryTable, ModTable, type EditRow, type EntryRow } from './tables.ts';

/** An edit as it stands in the log. */
export interface LoggedEdit extends Edit {
  revision: number;
  at: string;
  author: string;
  kind: EditRow['kind'];
  of: number | null;
}

/**
 * An entry of the database that does not fit: it is kept there as it is, and left out of the mod.
 */
export interface UnfitEntry {
  kind: string;
  name: string;
  message: string;
}

/** A step that undo or redo would take. */
export interface Step {
  revision: number;
  label: string;
}

/**
 * A mod as the store holds it: the document, its revision, what undo and redo would take, and what
 * was left out.
 */
export interface HeldMod {
  mod: Mod;
  revision: number;
  built: number | null;
  undo: Step[];
  redo: Step[];
  unfit: UnfitEntry[];
}

/**
 * Reads a mod with its whole history of steps. Throws a 404 {@link Problem} when there is none of
 * that name.
 */
export async function readHeld(source: DataSource, name: string): Promise<HeldMod> {
  const row = await source.getRepository(ModTable).findOneBy({ name });
  if (!row) throw new Problem(404, 'No such mod', `There is no mod called ${name.slice(0, 100)}.`);
  const held: HeldMod = {
    mod: emptyMod(name, name),
    revision: row.revision,
    built: row.built,
    undo: [],
    redo: [],
    unfit: [],
  };
  for (const entry of await source.getRepository(EntryTable).findBy({ mod: name }))
    putEntry(held, entry);
  const log = await source.getRepository(EditTable).find({
    where: { mod: name },
    select: { revision: true, kind: true, label: true, of: true },
    order: { revision: 'ASC' },
  });
  for (const line of log) noteStep(held, line);
  return held;
}

/** Puts one row into the mod or, when it does not fit, among what was left out. */
function putEntry({ mod, unfit }: HeldMod, { kind, name, document }: EntryRow): void {
  const isSingle = kind === 'header' || kind === 'ledger';
  const leaveOut = (message: string) => unfit.push({ kind, name: isSingle ? '' : name, message });
  if (!isSingle && !entryKinds.some((known) => known === kind))
    return void leaveOut('Nothing of that kind is known.');
  let value: unknown;
  try {
    value = JSON.parse(document);
  } catch (error) {
    return void leaveOut(`It cannot be read as JSON: ${(error as Error).message}.`);
  }
  const fits = entrySchemas[kind as keyof typeof entrySchemas].safeParse(value, {
    reportInput: true,
  });
  if (!fits.success) {
    const [first] = schemaProblems(fits.error);
    return void leaveOut(first ? `${pointer(first.path)}: ${first.message}` : 'It does not fit.');
  }
  const kinds = mod as unknown as Record<string, Record<string, unknown>>;
  if (isSingle) kinds[kind] = value as Record<string, unknown>;
  else kinds[kind]![name] = value;
}

/** What undo and redo would take after one more line of the log. */
export function noteStep(
  held: HeldMod,
  { revision, kind, label, of }: Pick<EditRow, 'revision' | 'kind' | 'label' | 'of'>,
): void {
  if (kind === 'edit') {
    held.undo.push({ revision, label });
    held.redo = [];
    return;
  }
  const [from, to] = kind === 'undo' ? [held.undo, held.redo] : [held.redo, held.undo];
  from.pop();
  to.push({ revision: of ?? revision, label });
}
