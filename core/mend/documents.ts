import type { Files } from '../bytes/index.ts';
import {
  applyTextEdits,
  carry,
  nowhere,
  parseJson,
  printJson,
  rewriteJson,
  sameData,
} from '../json/index.ts';
import { applyChanges, EditConflict, type Change } from '../mod/edit.ts';
import type { Mod } from '../mod/mod.schema.ts';
import type { FilesChange } from './file-change.ts';
import { decoded, encoded, withoutMark } from './text.ts';

/** A JSON file that follows from a declaration: its path, and what it holds. */
export type Written = [path: string, document: unknown];

/**
 * Makes in files what turns one set of documents into another: each file keeps its author's form,
 * and only what changed is written anew. `liesAt` tells where the author keeps a document that
 * would be written elsewhere. Undefined where a change finds no place.
 *
 * @example mendDocuments(files, [['pack.json', { edition: 1 }]], [['pack.json', { edition: 2 }]])
 */
export function mendDocuments(
  files: Files,
  before: Iterable<Written>,
  after: Iterable<Written>,
  liesAt = (path: string): string => path,
): FilesChange | undefined {
  const [was, becomes] = [new Map(before), new Map(after)];
  const done: FilesChange = new Map();
  for (const path of new Set([...was.keys(), ...becomes.keys()])) {
    if (sameData(was.get(path), becomes.get(path))) continue;
    const lies = liesAt(path);
    const file = mendFile(files.get(lies), was.get(path), becomes.get(path));
    if (file === nowhere) return undefined;
    done.set(lies, file);
  }
  return done;
}

/** A mod with changes made in it; undefined where one does not fit. */
export function changedMod(mod: Mod, changes: readonly Change[]): Mod | undefined {
  try {
    return applyChanges(mod, changes);
  } catch (error) {
    if (error instanceof EditConflict) return undefined;
    throw error;
  }
}

/** A file with a change made in it: undefined where it goes, and nowhere where it cannot be made. */
function mendFile(
  bytes: Uint8Array | undefined,
  before: unknown,
  after: unknown,
): Uint8Array | typeof nowhere | undefined {
  if (after === undefined) return undefined;
  if (!bytes) return encoded(printJson(after));
  const text = decoded(bytes);
  const mine = parseJson(text, { goesOn: true }).value;
  const wanted = mine === undefined ? nowhere : carry(before, after, mine);
  return wanted === nowhere ? nowhere : (rewritten(text, wanted) ?? nowhere);
}

/**
 * A JSON text that holds another value, with everything else as it was. Undefined where the text is
 * too damaged.
 */
export function rewritten(text: string, value: unknown): Uint8Array | undefined {
  const [mark, bare] = withoutMark(text);
  const edits = rewriteJson(bare, value);
  const mended = edits && mark + applyTextEdits(bare, edits);
  return mended !== undefined && sameData(parseJson(mended, { goesOn: true }).value, value)
    ? encoded(mended)
    : undefined;
}
