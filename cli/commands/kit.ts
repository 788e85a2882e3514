import path from 'node:path';
import type { Files } from '../../core/bytes/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import {
  checkKit,
  expectedFolder,
  kitFrom,
  ownKitsOf,
  placed,
  readKit,
  textsOfKit,
  type KitCheck,
  type KitProblem,
  type WrittenKit,
} from '../../core/kits/index.ts';
import { kitFile, kitNamePattern, type Mod } from '../../core/mod/index.ts';
import { count } from '../../core/words/index.ts';
import { DiskProblem, readFolder, shown, writeNew } from '../../disk/index.ts';
import { whenever } from '../whenever.ts';

export interface KitCheckOptions {
  with?: string;
  expect: string[];
  watch?: boolean;
}

/** A kit to be checked, with its texts and the mod that it is checked with. */
interface Checked {
  kit: WrittenKit;
  texts: ReadonlyMap<string, string>;
  mod: Mod;
  blobs: ReadonlyMap<string, Uint8Array>;
}

/**
 * Checks a kit: what it writes for a mod can be read, and is what it is expected to write. Given
 * the folder of a mod, all kits that are kept with it. Gives 1 where anything is wrong.
 */
export async function checkKits(folder: string, options: KitCheckOptions): Promise<number> {
  const once = async (): Promise<number> => {
    const files = await readFolder(folder);
    const { checked, problems } = files.has('mod.json')
      ? kitsOfMod(files)
      : await kitOfFolder(folder, files, options.with);
    for (const problem of problems) console.log(placed(problem));
    let wrong = problems.length;
    for (const one of checked) {
      const check = checkKit(one.kit.writer, one.texts, one.mod, (sha256) =>
        one.blobs.get(sha256)!,
      );
      if (options.expect.length && !files.has('mod.json'))
        wrong += await keepExpected(folder, check, options.expect);
      else wrong += print(one.kit, check);
    }
    return wrong === 0 ? 0 : 1;
  };
  return options.watch ? whenever(folder, once) : once();
}

/** The kits that are kept with a mod. */
function kitsOfMod(files: Files): { checked: Checked[]; problems: KitProblem[] } {
  const { mod: declared, blobs, problems } = readModFolder(files);
  const mod = expandFamilies(declared);
  const checked = ownKitsOf(declared).map((kit) => ({
    kit,
    texts: textsOfKit(declared.kitFiles, kit.name),
    mod,
    blobs,
  }));
  const ofKits = problems.filter(({ file }) => file.startsWith('kits/'));
  if (!checked.length && !ofKits.length)
    throw new DiskProblem('The mod has no kit of its own: none lies in kits/.');
  return { checked, problems: ofKits };
}

/** The kit that lies in a folder of its own, and the mod that was named beside it. */
async function kitOfFolder(
  folder: string,
  files: Files,
  beside: string | undefined,
): Promise<{ checked: Checked[]; problems: KitProblem[] }> {
  if (!files.has(kitFile))
    throw new DiskProblem(
      `${shown(folder)} has neither a kit.json nor a mod.json, so it is no kit and no mod.`,
    );
  if (beside === undefined)
    throw new DiskProblem(
      'Say with which mod the kit is checked: --with and the folder of a mod, such as ' +
        '--with demo/saltmarsh.',
    );
  const read = readModFolder(await readFolder(beside));
  if (read.unread.some(({ kind }) => kind === 'header'))
    throw new DiskProblem(`${shown(beside)} is no mod: its mod.json cannot be read.`);
  const { own, texts, problems } = readKit(files);
  if (!own) return { checked: [], problems };
  const called = path.basename(path.resolve(folder));
  const kit = kitFrom(kitNamePattern.test(called) ? called : 'kit', own, texts);
  return {
    checked: [{ kit, texts, mod: expandFamilies(read.mod), blobs: read.blobs }],
    problems,
  };
}

/** Prints how a kit fares; gives how much is wrong. */
function print({ title }: WrittenKit, { problems, files, expected }: KitCheck): number {
  for (const problem of problems) console.log(placed(problem));
  const others = expected.filter(({ fate }) => fate !== 'as expected');
  for (const { path: file, fate, line } of others) {
    console.log(`${expectedFolder}${file} ${fate}${line ? ` in line ${line.number}:` : '.'}`);
    if (line) console.log(`  expected  ${line.expected}\n  written   ${line.written}`);
  }
  const wrong = problems.length + others.length;
  console.log(
    `${title}: ${count(files.size, 'file')} written, ` +
      `${count(expected.length - others.length, 'file')} as expected, ` +
      `${wrong === 0 ? 'nothing' : wrong} wrong.`,
  );
  return wrong;
}

/** Lays written files down as what is expected from now on; gives how many are not there. */
async function keepExpected(
  folder: string,
  { files, problems }: KitCheck,
  wanted: readonly string[],
): Promise<number> {
  for (const problem of problems) console.log(placed(problem));
  const missing = wanted.filter((file) => !files.has(file));
  for (const file of missing) console.log(`The kit writes no file ${shown(file)}.`);
  const kept = new Map(
    wanted.flatMap((file) => {
      const bytes = files.get(file);
      return bytes ? [[`${expectedFolder}${file}`, bytes] as const] : [];
    }),
  );
  await writeNew(folder, kept, true);
  for (const file of kept.keys()) console.log(`${file} is what is expected from now on.`);
  return problems.length + missing.length;
}
