import {
  filesOfUnit,
  readUnits,
  saysUnit,
  unitOf,
  unitsOfMod,
  valueOfUnit,
  whyNotExchanged,
  type Agreed,
  type InFolder,
  type Unit,
} from '../../core/linked/index.ts';
import type { UnreadFile } from '../../core/api/index.ts';
import { digestOf, type Files } from '../../core/bytes/index.ts';
import { editionIn } from '../../core/folder/index.ts';
import { currentEdition, sameData, type Mod } from '../../core/mod/index.ts';
import { DiskProblem, readSome, readTree, type Tree } from '../../disk/index.ts';

/** What may have changed since the last exchange: everything, or some files and units. */
export class Changed {
  isWhole = false;
  readonly files = new Set<string>();
  readonly units = new Set<Unit>();

  get isNothing(): boolean {
    return !this.isWhole && this.files.size === 0 && this.units.size === 0;
  }

  /** Takes in what else may have changed. */
  add({ isWhole, files, units }: Changed): void {
    this.isWhole ||= isWhole;
    for (const file of files) this.files.add(file);
    for (const unit of units) this.units.add(unit);
  }
}

/** What the folder holds of some units. */
export interface Look {
  units: Unit[];
  inFolder: Map<Unit, InFolder>;
  /** The files of these units that are there, and `mod.json`. */
  files: Files;
  /** Pictures, sounds and kept files by their SHA-256. */
  blobs: Map<string, Uint8Array>;
}

/** The folder's side of a mod that lives in one: reads it, and knows what cannot be read there. */
export class FolderSide {
  /** What cannot be read, by its file. */
  private readonly problems = new Map<string, UnreadFile[]>();
  private readonly known = new Set<string>();

  constructor(readonly folder: string) {}

  /** What cannot be read in the folder, with the place in each file. */
  get unread(): UnreadFile[] {
    return [...[...this.problems.values()].flat(), ...caseTwins(this.known)];
  }

  /**
   * Reads what may have changed. A file that is as it was when both sides were alike is not parsed
   * again. Throws a {@link DiskProblem} while nothing can be exchanged with the folder.
   */
  async look(changed: Changed, mod: Mod, agreed: ReadonlyMap<Unit, Agreed>): Promise<Look> {
    const asked = new Set([...changed.units, ...[...changed.files].flatMap(unitsOf)]);
    const names = new Set(['mod.json', ...changed.files, ...[...asked].flatMap(filesOfUnit)]);
    const tree = changed.isWhole ? await readTree(this.folder) : await readSome(this.folder, names);
    refuseFolder(tree);
    const units = changed.isWhole
      ? [
          ...new Set([
            ...unitsOfMod(mod),
            ...agreed.keys(),
            ...[...tree.files.keys()].flatMap(unitsOf),
          ]),
        ]
      : [...asked];
    this.note(changed.isWhole ? undefined : names, tree);
    return this.read(units, tree, mod, agreed);
  }

  private read(units: Unit[], tree: Tree, mod: Mod, agreed: ReadonlyMap<Unit, Agreed>): Look {
    const inFolder = new Map<Unit, InFolder>();
    const isCurrent = editionIn(tree.files) === currentEdition;
    for (const unit of units) {
      const before = agreed.get(unit);
      if (before && isAsAgreed(before, unit, tree.files))
        inFolder.set(unit, { files: before.files, value: before.value });
      else if (isCurrent && saysUnit(unit, valueOfUnit(mod, unit), tree.files))
        inFolder.set(unit, { files: digestsOf(unit, tree.files), value: valueOfUnit(mod, unit) });
    }
    const others = units.filter((unit) => !inFolder.has(unit));
    const parsed = new Set(['mod.json', ...others.flatMap(filesOfUnit)]);
    const subset = new Map(
      [...tree.files].filter(([file]) => parsed.has(file) || unitOf(file) === undefined),
    );
    const read = readUnits(others, subset);
    for (const { file, place, rule, message } of read.problems)
      this.problems.set(file, [
        ...(this.problems.get(file) ?? []),
        unreadFile(file, message, rule, place),
      ]);
    for (const [unit, found] of read.inFolder)
      inFolder.set(unit, isHindered(unit, tree) ? { files: found.files, isUnread: true } : found);
    return { units, inFolder, files: tree.files, blobs: read.blobs };
  }

  /** Forgets what was said of files that are looked at again. */
  private note(names: ReadonlySet<string> | undefined, { files, unread }: Tree): void {
    for (const name of names ?? [...this.known, ...this.problems.keys()]) {
      this.problems.delete(name);
      if (!files.has(name)) this.known.delete(name);
    }
    for (const name of files.keys()) this.known.add(name);
    for (const { path, message } of unread) this.problems.set(path, [unreadFile(path, message)]);
  }
}

/** What is told of a file that cannot be read, at its beginning unless its place is known. */
function unreadFile(
  file: string,
  message: string,
  rule = 'files/does-not-fit',
  { line, column } = { line: 1, column: 1 },
): UnreadFile {
  const unit = unitOf(file);
  return { rule, ...(unit === undefined ? {} : { unit }), file, line, column, message };
}

const unitsOf = (file: string): Unit[] => {
  const unit = unitOf(file);
  return unit === undefined ? [] : [unit];
};

/** Throws while the folder as a whole is no mod that can be exchanged with. */
function refuseFolder({ files, unread }: Tree): void {
  const hindered = unread.find(({ path }) => path === 'mod.json');
  const why = hindered ? `mod.json: ${hindered.message}` : whyNotExchanged(files.get('mod.json'));
  if (why !== undefined) throw new DiskProblem(why);
}

/** Whether a unit's files are what they were when both sides were alike. */
function isAsAgreed({ files, previous }: Agreed, unit: Unit, there: Files): boolean {
  if (previous) return false;
  return sameData(digestsOf(unit, there), files);
}

const digestsOf = (unit: Unit, there: Files): Record<string, string> =>
  Object.fromEntries(
    filesOfUnit(unit).flatMap((file) => {
      const bytes = there.get(file);
      return bytes ? [[file, digestOf(bytes)] as const] : [];
    }),
  );

/** Whether a file of a unit, or a folder above one, was passed over. */
const isHindered = (unit: Unit, { unread }: Tree): boolean =>
  unread.length > 0 &&
  filesOfUnit(unit).some((file) =>
    unread.some(({ path }) => file === path || file.startsWith(`${path}/`)),
  );

/** Files that would be one where upper and lower case are the same. */
function caseTwins(files: Iterable<string>): UnreadFile[] {
  const byLower = new Map<string, string>();
  const twins: UnreadFile[] = [];
  for (const file of [...files].sort()) {
    const other = byLower.get(file.toLowerCase());
    if (other === undefined) byLower.set(file.toLowerCase(), file);
    else
      twins.push(
        unreadFile(
          file,
          `Its name differs from ${other} only by upper and lower case. Many systems take the ` +
            'two for one file; rename one of them.',
        ),
      );
  }
  return twins;
}
