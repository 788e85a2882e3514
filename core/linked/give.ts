import { digestOf, type Files } from '../bytes/index.ts';
import { editionIn } from '../folder/index.ts';
import { parseJson, printJson, withoutSchema } from '../json/index.ts';
import { decoded, mendDocuments, rewritten, type FilesChange } from '../mend/index.ts';
import { bringEntryForward, currentEdition, inOrder, type Mod } from '../mod/index.ts';
import type { Digests, Exchange } from './exchange.ts';
import {
  blobsOfUnit,
  documentsOfUnit,
  filesOfUnit,
  textsOfUnit,
  unitOf,
  valueOfUnit,
  type Unit,
} from './units.ts';

const encode = (text: string): Uint8Array => new TextEncoder().encode(text);

/**
 * What becomes of the files of one unit: in a text only what changed, in its author's form; a
 * picture or sound whole. `files` hold what is there; a file whose author left no place for the
 * change is written anew.
 *
 * @example giveUnit('/blocks/brine', { from: { … }, to: { … } }, files, blob).size // 1
 */
export function giveUnit(
  unit: Unit,
  { from, to }: { from: unknown; to: unknown },
  files: Files,
  blob: (sha256: string) => Uint8Array,
): FilesChange {
  const [before, after] = [documentsOfUnit(unit, from), documentsOfUnit(unit, to)];
  const mended = mendDocuments(files, before, after);
  const change: FilesChange =
    mended ?? new Map(after.map(([file, document]) => [file, encode(printJson(document))]));
  const [said, says] = [from, to].map((value) => new Map(textsOfUnit(unit, value)));
  for (const [file] of said ?? []) if (!says?.has(file)) change.set(file, undefined);
  for (const [file, text] of says ?? [])
    if (said?.get(file) !== text) change.set(file, encode(text));
  const [had, has] = [from, to].map((value) => new Map(blobsOfUnit(unit, value)));
  for (const [file] of had ?? []) if (!has?.has(file)) change.set(file, undefined);
  for (const [file, sha256] of has ?? [])
    if (had?.get(file) !== sha256) change.set(file, blob(sha256));
  return change;
}

/** The values to give with keys in the order in which a folder is written when it is new. */
export function givesInOrder(mod: Mod, gives: Exchange['gives']): Exchange['gives'] {
  const ordered = inOrder(mod);
  return new Map(
    [...gives].map(([unit, { from, to }]) => {
      const isNew = from === undefined && to !== undefined;
      return [unit, { from, to: isNew ? (valueOfUnit(ordered, unit) ?? to) : to }];
    }),
  );
}

/** The digests of a unit's files once a change of them is made. */
export function digestsAfter(unit: Unit, files: Digests, change: FilesChange): Digests {
  const after = new Map(Object.entries(files));
  for (const file of filesOfUnit(unit)) {
    const bytes = change.get(file);
    if (bytes) after.set(file, digestOf(bytes));
    else if (change.has(file)) after.delete(file);
  }
  return Object.fromEntries(after);
}

/** What is JSON in them is no document of a mod by itself, or is of no edition. */
const untold: ReadonlySet<string> = new Set(['textures', 'kitFiles']);

/**
 * What becomes of the files of a folder whose documents are of an earlier edition: each says the
 * same in the current one, and otherwise stays as its author wrote it. Empty for a folder of this
 * edition.
 */
export function folderBroughtForward(files: Files): FilesChange {
  const edition = editionIn(files);
  const change: FilesChange = new Map();
  if (edition >= currentEdition) return change;
  for (const [file, bytes] of files) {
    const kind = unitOf(file)?.split('/')[1];
    if (!file.endsWith('.json') || kind === undefined || untold.has(kind)) continue;
    const text = decoded(bytes);
    const { value, problems } = parseJson(text);
    if (value === undefined || problems.length) continue;
    const brought = bringEntryForward(kind, withoutSchema(value), edition);
    const schema = (value as { $schema?: unknown }).$schema;
    const whole =
      schema === undefined ? brought : { $schema: schema, ...(brought as Record<string, unknown>) };
    const written = rewritten(text, whole);
    if (written && digestOf(written) !== digestOf(bytes)) change.set(file, written);
  }
  return change;
}
