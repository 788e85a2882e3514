import { digestOf, type Files } from '../bytes/index.ts';
import type { Declared, Kit } from '../kits/index.ts';
import { blobsNamedIn, ModSchema, mostKeptFiles, schemaProblems, type Mod } from '../mod/index.ts';
import { count, listed } from '../words/index.ts';
import { formDifferences, type FormDifference } from './form-differences.ts';
import { differencesInMeaning } from './meaning.ts';
import { moveToNamespace } from './namespace.ts';
import { naturalIn, withNatural, type Natural } from './natural.ts';
import { TakeOverProblem } from './problem.ts';
import { tidyMod } from './tidy.ts';

/** How a pack is taken over. */
export interface TakeOverHow {
  /** Rows are written as few as can be, and what is usual is left out. */
  isTidy?: boolean;
  /** The namespace of the new mod, where it is to be another than the pack's. */
  namespace?: string;
}

/** A mod made out of a pack that was written by hand, and what became of the pack's files. */
export interface TakenOver {
  mod: Mod;
  /** Pictures, sounds and kept files by their SHA-256. */
  blobs: Map<string, Uint8Array>;
  /** The files that a build of the mod carries along byte for byte. */
  kept: string[];
  /** What is taken to be in the world by itself, since the pack gives no other way to it. */
  natural: Natural;
  /** How each file would come out of a build of the mod as it is. */
  forms: FormDifference[];
  /** JSON Pointers of what the reader loads otherwise from such a build: none should be. */
  otherwise: string[];
}

/**
 * A mod out of a target's files. What the files declare is in the mod; files of which nothing is
 * known are kept in it byte for byte. The mod is built once and read back, and where that differs
 * from the files, in form or in meaning, is told. Throws a {@link TakeOverProblem} while a part of
 * the files could not be read: a mod without it would be another one.
 *
 * @example takeOver(kit, files, { isTidy: true }).mod.blocks['brine']
 */
export function takeOver(kit: Kit, files: Files, how: TakeOverHow = {}): TakenOver {
  const { mod: read } = readWhole(kit.check(files).declared);
  const blobs = new Map([...files.values()].map((bytes) => [digestOf(bytes), bytes]));
  const blobOf = (sha256: string) => blobs.get(sha256) ?? new Uint8Array();
  const natural = naturalIn(read);
  const bare = withNatural(how.isTidy ? tidyMod(read) : read, natural);
  const written = kit.write(bare, blobOf);
  const kept = [...files.keys()].filter((path) => !written.has(path)).sort();
  const same = withKept(bare, kept, files);
  const mod = how.namespace === undefined ? same : moveToNamespace(same, how.namespace);
  checkFits(mod);
  return {
    mod,
    blobs: blobsIn(mod, blobs),
    kept,
    natural,
    forms: formDifferences(files, written),
    otherwise: differencesInMeaning(read, readWhole(kit.check(written).declared).mod),
  };
}

/**
 * The same for a mod that lies in files as a mod: there is nothing to recognise, and nothing comes
 * out otherwise. Throws a {@link TakeOverProblem}.
 */
export function takeOverMod(
  declared: Declared | undefined,
  files: Files,
  { isTidy, namespace }: TakeOverHow = {},
): TakenOver {
  const { mod: read } = readWhole(declared);
  const tidy = isTidy ? tidyMod(read) : read;
  const mod = namespace === undefined ? tidy : moveToNamespace(tidy, namespace);
  checkFits(mod);
  const blobs = new Map([...files.values()].map((bytes) => [digestOf(bytes), bytes]));
  return {
    mod,
    blobs: blobsIn(mod, blobs),
    kept: Object.keys(mod.header.kept ?? {}),
    natural: { blocks: [], items: [] },
    forms: [],
    otherwise: [],
  };
}

/** What files declare, where all of them could be read. Throws a {@link TakeOverProblem}. */
export function readWhole(declared: Declared | undefined): Declared {
  if (!declared)
    throw new TakeOverProblem(
      'No mod can be made of these files: nothing says what they are called and whose they are.',
    );
  const { unreadFiles } = declared;
  if (unreadFiles.length) {
    const some = unreadFiles.slice(0, 4);
    const more = unreadFiles.length - some.length;
    throw new TakeOverProblem(
      `${listed(more ? [...some, count(more, 'other file')] : some, 'and')} could not be read or ` +
        `${unreadFiles.length === 1 ? 'is' : 'are'} not there. Mend that first: a mod without it ` +
        'would be another one.',
    );
  }
  return declared;
}

function withKept(mod: Mod, paths: readonly string[], files: Files): Mod {
  if (!paths.length) return mod;
  if (paths.length > mostKeptFiles)
    throw new TakeOverProblem(
      `The pack has ${count(paths.length, 'file')} of which Obrank knows nothing; a mod keeps at ` +
        `most ${mostKeptFiles} such files.`,
    );
  const kept = Object.fromEntries(
    paths.map((path) => {
      const bytes = files.get(path) ?? new Uint8Array();
      return [path, { sha256: digestOf(bytes), bytes: bytes.length }];
    }),
  );
  return { ...mod, header: { ...mod.header, kept } };
}

/** A mod must fit its own schema, whatever it was read from. */
function checkFits(mod: Mod): void {
  const fits = ModSchema.safeParse(mod);
  const [first] = fits.success ? [] : schemaProblems(fits.error, ModSchema);
  if (first)
    throw new TakeOverProblem(
      `No mod can be made of these files: ${first.path.join(' › ')}: ${first.message}`,
    );
}

/** What a mod names by digest, out of all there is. */
function blobsIn(mod: Mod, all: ReadonlyMap<string, Uint8Array>): Map<string, Uint8Array> {
  return new Map(
    blobsNamedIn(mod).flatMap(({ sha256 }) => {
      const bytes = all.get(sha256);
      return bytes ? [[sha256, bytes] as const] : [];
    }),
  );
}
