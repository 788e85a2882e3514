import { digestOf, type Files } from '../bytes/index.ts';
import { editionIn, readModFolder, type FileProblem } from '../folder/index.ts';
import { pointer, sameData, withoutSchema } from '../json/index.ts';
import { currentEdition } from '../mod/index.ts';
import type { Digests, InFolder } from './exchange.ts';
import {
  blobsOfUnit,
  documentsOfUnit,
  filesOfUnit,
  textsOfUnit,
  unitOf,
  valueOfUnit,
  type Unit,
} from './units.ts';

/** What some units are in a folder. */
export interface ReadUnits {
  inFolder: Map<Unit, InFolder>;
  problems: FileProblem[];
  /** Pictures, sounds and kept files by their SHA-256. */
  blobs: Map<string, Uint8Array>;
}

/**
 * Reads units from their files. `files` hold all files of these units that are there, and
 * `mod.json`, which tells the edition of the others.
 */
export function readUnits(units: readonly Unit[], files: Files): ReadUnits {
  const asked = new Set(units);
  const read = readModFolder(files);
  const digests = new Map<Unit, Record<string, string>>();
  for (const [file, bytes] of files) {
    const unit = unitOf(file);
    if (unit !== undefined) digests.set(unit, { ...digests.get(unit), [file]: digestOf(bytes) });
  }
  const problems = read.problems.filter(({ file }) => {
    const unit = unitOf(file);
    return unit === undefined || asked.has(unit);
  });
  const unread = new Set(
    read.unread.map(({ kind, name }) => pointer(name ? [kind, name] : [kind])),
  );
  // A name that is not allowed is nobody's.
  const refused = new Set(
    problems.flatMap(({ rule, file }) => (rule === 'files/unknown-file' ? [unitOf(file)] : [])),
  );
  const inFolder = new Map(
    units.map((unit): [Unit, InFolder] => {
      const has: Digests = digests.get(unit) ?? {};
      const isLeftOut = unread.has(unit) || refused.has(unit);
      if (isLeftOut) return [unit, { files: has, isUnread: true }];
      // A mod always has a ledger; where no file says so the folder has none.
      const isThere = unit !== '/ledger' || files.has('ledger.json');
      return [unit, { files: has, value: isThere ? valueOfUnit(read.mod, unit) : undefined }];
    }),
  );
  return { inFolder, problems, blobs: read.blobs };
}

/**
 * Whether the files of a unit say just what a mod holds, as can be told without understanding them:
 * pictures and sounds by their digests, JSON by its data, where no key stands twice. False where it
 * cannot be told so.
 *
 * @example saysUnit('/blocks/brine', mod.blocks.brine, files) // true
 */
export function saysUnit(unit: Unit, value: unknown, files: Files): boolean {
  if (value === undefined) return false;
  const blobs = blobsOfUnit(unit, value);
  const documents = documentsOfUnit(unit, value);
  const texts = textsOfUnit(unit, value);
  const known = new Set([...blobs, ...documents, ...texts].map(([file]) => file));
  return (
    filesOfUnit(unit).every((file) => known.has(file) === files.has(file)) &&
    blobs.every(([file, sha256]) => digestOf(files.get(file)!) === sha256) &&
    texts.every(([file, text]) => new TextDecoder().decode(files.get(file)) === text) &&
    documents.every(([file, document]) => sameData(plainJson(files.get(file)!), document))
  );
}

const strings = /("(?:[^"\\]|\\.)*")|\s+/g;

/** The data of a JSON text that is written in no unusual way; undefined for any other. */
function plainJson(bytes: Uint8Array): unknown {
  const text = new TextDecoder().decode(bytes);
  try {
    const value: unknown = JSON.parse(text);
    // A key that stands twice, and what else a text can say otherwise, makes it longer.
    return JSON.stringify(value) === text.replaceAll(strings, '$1')
      ? withoutSchema(value)
      : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Why nothing can be exchanged with a folder, by its `mod.json`, in a sentence; undefined when it
 * can. A folder that has none is not emptied into the mod: it may be a checkout that is under way.
 */
export function whyNotExchanged(header: Uint8Array | undefined): string | undefined {
  if (!header) return 'The folder has no mod.json, so it is not a mod at the moment.';
  const edition = editionIn(new Map([['mod.json', header]]));
  return edition > currentEdition
    ? `The folder was written by a newer Obrank (edition ${edition}; this one knows ` +
        `${currentEdition}). Open it with the newer one.`
    : undefined;
}
