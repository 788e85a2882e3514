import type { Files } from '../bytes/index.ts';
import {
  applyTextEdits,
  parseJson,
  pointerSteps,
  renameKey,
  rewriteJson,
  valueAt,
  type TextEdit,
} from '../json/index.ts';
import { applyChange } from '../mod/edit.ts';
import { decoded, encoded, withoutMark } from './text.ts';

/**
 * One change of files: ranges of a text, a value at a JSON Pointer in one (absent: it goes), another
 * key there, or another path.
 */
export type FileChange =
  | { file: string; edits: TextEdit[] }
  | { file: string; at: string; value?: unknown }
  | { file: string; at: string; key: string }
  | { file: string; movesTo: string };

/** A way to mend files as such. */
export interface FileFix {
  title: string;
  files: FileChange[];
}

/** What becomes of files: the new bytes by path, undefined for one that goes. */
export type FilesChange = Map<string, Uint8Array | undefined>;

/**
 * Makes changes of files, in place, one after the other; those of one text that put values are made
 * in one go. Gives back the ones that were made: not where a file is not there or is no text, or
 * where another one has its new path already.
 *
 * @example applyFileChanges(files, [{ file: 'pack.json', at: '/edition', value: 1 }])
 */
export function applyFileChanges(files: Files, changes: readonly FileChange[]): FileChange[] {
  const isPut = (change: FileChange): change is Put => 'at' in change && !('key' in change);
  const puts = changes.filter(isPut);
  const made = [...new Set(puts.map(({ file }) => file))].flatMap((file) =>
    putValues(
      files,
      file,
      puts.filter((put) => put.file === file),
    ),
  );
  const others = changes.filter((change) => !isPut(change));
  return [...made, ...others.filter((change) => applyOther(files, change))];
}

type Put = Extract<FileChange, { value?: unknown }>;

function applyOther(files: Files, change: FileChange): boolean {
  const bytes = files.get(change.file);
  if (!bytes) return false;
  if ('movesTo' in change) {
    if (files.has(change.movesTo)) return false;
    files.delete(change.file);
    files.set(change.movesTo, bytes);
    return true;
  }
  if ('edits' in change) {
    files.set(change.file, encoded(applyTextEdits(decoded(bytes), change.edits)));
    return true;
  }
  if (!('key' in change)) return false;
  const [mark, text] = withoutMark(decoded(bytes));
  const edits = renameKey(text, change.at, change.key);
  if (edits) files.set(change.file, encoded(mark + applyTextEdits(text, edits)));
  return edits !== undefined;
}

/** Puts values into a text, and gives back those that found their place. */
function putValues(files: Files, file: string, puts: readonly Put[]): Put[] {
  const bytes = files.get(file);
  if (!bytes) return [];
  const [mark, text] = withoutMark(decoded(bytes));
  let document = parseJson(text, { goesOn: true }).value;
  const made = puts.filter(({ at, value }) => {
    const changed = withValue(document, at, value);
    if (changed === undefined) return false;
    document = changed;
    return true;
  });
  const edits = made.length ? rewriteJson(text, document) : undefined;
  if (!edits) return [];
  files.set(file, encoded(mark + applyTextEdits(text, edits)));
  return made;
}

/** A document with another value at a pointer; undefined where nothing can stand there. */
function withValue(document: unknown, at: string, value: unknown): unknown {
  const path = at.slice(0, at.lastIndexOf('/'));
  const parent = valueAt(document, path);
  if (typeof parent !== 'object' || parent === null) return undefined;
  if (value === undefined && Array.isArray(parent)) {
    const after = parent.toSpliced(Number(pointerSteps(at).at(-1)), 1);
    return applyChange(document, { path, before: parent, after });
  }
  return applyChange(document, { path: at, before: valueAt(document, at), after: value });
}
