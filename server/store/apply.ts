import { pointer, whyNotPlain } from '../../core/json/index.ts';
import {
  applyChanges,
  EditConflict,
  entryOf,
  entrySchemas,
  namePatternOf,
  lookUp,
  schemaProblems,
  type Change,
  type EntryKind,
  type Mod,
} from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import type { HeldMod } from './held.ts';

const maxNameLength = 128;

const refused = (
  detail: string,
  errors: { pointer: string; detail: string }[],
  title = 'Edit refused',
) => new Problem(422, title, detail, { errors });

/**
 * The entries that changes touch, each once: its kind and, but for the two single documents, its
 * name.
 */
export function touchedEntries(changes: readonly Change[]): { kind: string; name: string }[] {
  const entries = new Map(
    changes.map(({ path }) => {
      const entry = entryOf(path);
      return [`${entry.kind}/${entry.name}`, entry] as const;
    }),
  );
  return [...entries.values()];
}

/** An entry of a mod; undefined when it is not there. */
export const entryIn = (mod: Mod, { kind, name }: { kind: string; name: string }): unknown =>
  name
    ? lookUp(mod[kind as EntryKind] as Record<string, unknown>, name)
    : mod[kind as 'header' | 'ledger'];

/**
 * Throws a 422 {@link Problem} for changes that cannot be kept, or that have no place in the mod.
 * Asked before anything else goes through them.
 */
export function checkChanges({ unfit }: HeldMod, changes: readonly Change[]): void {
  for (const { path, before, after } of changes) {
    const { kind, name } = entryOf(path);
    const isPlace =
      Object.hasOwn(entrySchemas, kind) && (name !== '' || kind === 'header' || kind === 'ledger');
    if (!isPlace)
      throw refused(
        `${path.slice(0, 200) || 'The whole mod'} is no place of a mod that can be edited.`,
        [{ pointer: path, detail: 'There is no such entry.' }],
      );
    if (unfit.some((entry) => entry.kind === kind && entry.name === name))
      throw refused(
        `What the database holds at ${path} does not fit and is kept as it is, so nothing can ` +
          'be written there.',
        [{ pointer: path, detail: 'An entry that does not fit is kept here.' }],
      );
    const why = whyNotPlain(path) ?? whyNotPlain(before) ?? whyNotPlain(after);
    if (why)
      throw refused(`What the edit puts at ${path.slice(0, 200)} ${why}.`, [
        { pointer: path, detail: `It ${why}.` },
      ]);
  }
}

/**
 * The mod with the changes applied. Throws a 422 {@link Problem} when they expect something else
 * there.
 */
export function applyEdit(mod: Mod, changes: readonly Change[]): Mod {
  try {
    return applyChanges(mod, changes);
  } catch (error) {
    if (!(error instanceof EditConflict)) throw error;
    throw refused(`What stands at ${error.path} is not what the edit expects there.`, [
      { pointer: error.path, detail: 'The value before the change is another one.' },
    ]);
  }
}

/**
 * Checks the name and the document of every entry that was touched. Throws a 422 {@link Problem}
 * that names each place.
 */
export function checkEntries(mod: Mod, changes: readonly Change[]): void {
  for (const entry of touchedEntries(changes)) {
    const { kind, name } = entry;
    const document = entryIn(mod, entry);
    const base = name ? [kind, name] : [kind];
    if (document === undefined && name) continue;
    if (name && (!namePatternOf(kind).test(name) || name.length > maxNameLength))
      throw refused(
        `"${name.slice(0, maxNameLength)}" is not allowed as a name: use lowercase letters, ` +
          'digits and underscores, beginning with a letter.',
        [{ pointer: pointer(base), detail: 'The name is not allowed.' }],
        'Name refused',
      );
    const fits = entrySchemas[kind as keyof typeof entrySchemas].safeParse(document, {
      reportInput: true,
    });
    if (!fits.success) {
      const errors = schemaProblems(fits.error).map(({ path, message }) => ({
        pointer: pointer([...base, ...path]),
        detail: message,
      }));
      throw refused(
        errors
          .slice(0, 1)
          .map((first) => `${first.pointer}: ${first.detail}`)
          .join(''),
        errors,
      );
    }
  }
}
