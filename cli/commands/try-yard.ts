import path from 'node:path';
import { z } from 'zod';
import type { Files } from '../../core/bytes/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { kitNamed, loadPack } from '../../core/kits/index.ts';
import { count, messageOf } from '../../core/words/index.ts';
import {
  ownBlocks,
  playedAgain,
  runFrom,
  testWalk,
  walkDifferences,
  walkParts,
  walkReport,
  type PackWorld,
} from '../../core/yard/index.ts';
import { walkPictures } from '../../core/yard-pictures/index.ts';
import {
  DiskProblem,
  readModOrPack,
  readOrdinary,
  shown,
  writeNew,
  writeNewFolder,
} from '../../disk/index.ts';

export interface WalkOptions {
  report?: string;
  against?: string;
  replay?: string;
  overwrite?: boolean;
}

/** The format that the Yard reads. */
const kit = kitNamed('block-pack');
/** Where a walk lies beside its report, to lay the next one against. */
const walkFile = 'walk.json';
/** No walk takes more. */
const mostBytes = 64 * 2 ** 20;

const Walk = z.array(
  z.strictObject({
    block: z.string().max(200),
    part: z.enum(walkParts),
    found: z.string(),
    amiss: z.string().optional(),
    looks: z.string().max(64).optional(),
  }),
);

/**
 * Tries a pack in the Yard, which reads its files alone: every block is placed, shown, dug, broken,
 * turned and seen by night. What is amiss stands on a line each, then what came out otherwise than
 * the last time; the last line counts.
 */
export async function tryInYard(folder: string, options: WalkOptions): Promise<number> {
  const before = options.against === undefined ? undefined : await walkAt(options.against);
  const { world, title, version, log } = loadPack(await packIn(folder));
  for (const line of log) console.error(shown(line));
  if (options.replay !== undefined) return replay(world, options.replay);
  const checks = testWalk(world);
  const differences = before && walkDifferences(before, checks);
  const amiss = checks.filter((check) => check.amiss !== undefined);
  for (const { block, part, amiss: why = '' } of amiss)
    console.log(`${shown(block)}: ${part.toLowerCase()}: ${shown(why)}`);
  for (const { block, part, before: was, now, looksOther } of differences ?? [])
    console.log(
      `${shown(block)}: ${part.toLowerCase()}\n  before: ${shown(was ?? 'not tried')}\n` +
        `  now:    ${shown(now ?? 'not tried')}${looksOther ? ', and looks otherwise' : ''}`,
    );
  if (options.report !== undefined) {
    const nameOf = (block: string) => world.text(`block.${block.split(':')[1] ?? ''}`) ?? block;
    const pictures = walkPictures(world);
    const picturesOf = pictures.of;
    const html = walkReport({ title, version, checks, differences, nameOf, picturesOf });
    const encoder = new TextEncoder();
    const files: Files = new Map([
      ['index.html', encoder.encode(html)],
      [walkFile, encoder.encode(`${JSON.stringify(checks, undefined, 1)}\n`)],
      ...pictures.files,
    ]);
    await (options.overwrite
      ? writeNew(path.resolve(options.report), files, true)
      : writeNewFolder(options.report, files));
  }
  const otherwise = differences ? `, ${differences.length} otherwise than before` : '';
  console.log(
    `${count(ownBlocks(world).length, 'block')}, ${count(checks.length, 'try', 'tries')}, ` +
      `${amiss.length} amiss${otherwise}`,
  );
  return amiss.length || log.length || differences?.length ? 1 : 0;
}

/** Plays a run again that was saved in the Yard, and tells whether the world at its end is the same. */
async function replay(world: PackWorld, file: string): Promise<number> {
  const bytes = await readOrdinary(path.resolve(file), mostBytes);
  let recorded: ReturnType<typeof runFrom>;
  try {
    recorded = runFrom(new TextDecoder().decode(bytes));
  } catch (error) {
    throw new DiskProblem(`${shown(file)}: ${messageOf(error)}`);
  }
  const digest = playedAgain(world, recorded).digest();
  const isSame = digest === recorded.digest;
  console.log(
    `${count(recorded.ticks, 'tick')} played again: ${isSame ? 'the same' : 'another'} world, ` +
      digest,
  );
  return isSame ? 0 : 1;
}

/** The files of a pack, or those that a mod folder is built to. */
async function packIn(folder: string): Promise<Files> {
  const tree = await readModOrPack(folder);
  if (tree.kind === 'mod') {
    const { mod, blobs } = readModFolder(tree.files);
    return kit.write(expandFamilies(mod), (sha256) => blobs.get(sha256)!);
  }
  if (tree.kit.name !== kit.name)
    throw new DiskProblem(
      `${shown(folder)} is a pack of another form (${tree.kit.title}). The Yard reads ${kit.title}.`,
    );
  return tree.files;
}

async function walkAt(file: string): Promise<z.output<typeof Walk>> {
  const bytes = await readOrdinary(path.resolve(file), mostBytes);
  try {
    return Walk.parse(JSON.parse(new TextDecoder().decode(bytes)));
  } catch {
    throw new DiskProblem(
      `${shown(file)} is no walk. Give the ${walkFile} that an earlier report left.`,
    );
  }
}
