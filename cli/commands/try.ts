import path from 'node:path';
import type { Files } from '../../core/bytes/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { tally } from '../../core/inspect/index.ts';
import { engineKit, type Difference } from '../../core/kits/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { count } from '../../core/words/index.ts';
import {
  askEngine,
  DiskProblem,
  makeGallery,
  readModOrPack,
  shown,
  writeNew,
} from '../../disk/index.ts';
import { tryInYard, type WalkOptions } from './try-yard.ts';
import { inspectTree } from '../inspect-tree.ts';

export interface TryOptions extends WalkOptions {
  engine?: boolean;
  gallery?: string;
  picture?: string;
  overwrite?: boolean;
}

/**
 * Tries a pack, or what a mod is built to, in the Yard; or, with `--engine`, builds a mod folder for
 * a real engine, and compares what that says of it with what was predicted.
 * The last line tells how many things were asked, and how many of them the engine sees otherwise.
 */
export async function tryMod(folder: string, options: TryOptions): Promise<number> {
  if (!options.engine) {
    if (options.gallery !== undefined || options.picture !== undefined)
      throw new DiskProblem('A gallery is one of the engine: say --engine too.');
    return tryInYard(folder, options);
  }
  const tree = await readModOrPack(folder);
  if (tree.kind !== 'mod')
    throw new DiskProblem(
      `${shown(folder)} is a pack. Give the folder of a mod, the one with mod.json.`,
    );
  const { error } = tally(inspectTree(tree));
  if (error) {
    console.error(
      `The mod has ${count(error, 'error')}, so it was not tried. See ` +
        `${error === 1 ? 'it' : 'them'} with: npm run -s obrank -- check ${shown(folder)}`,
    );
    return 1;
  }
  const { mod: declared, blobs } = readModFolder(tree.files);
  const mod = expandFamilies(declared);
  const built = engineKit.write(mod, (sha256) => blobs.get(sha256)!);
  const stop = new AbortController();
  const onSignal = () => stop.abort();
  process.once('SIGINT', onSignal);
  process.once('SIGTERM', onSignal);
  try {
    if (options.gallery !== undefined || options.picture !== undefined)
      return await gallery(mod, built, options, stop.signal);
    const { engine } = engineKit;
    const laid = engine.lay(mod, built);
    const heard = await askEngine(engine, laid, {
      onProgress: progressTo(process.stderr),
      signal: stop.signal,
    });
    const differences = engine.judge(mod, built, heard);
    for (const difference of differences) console.log(inWords(difference));
    console.log(`${count(laid.checks, 'check')}, ${count(differences.length, 'difference')}`);
    return differences.length ? 1 : 0;
  } finally {
    process.removeListener('SIGINT', onSignal);
    process.removeListener('SIGTERM', onSignal);
  }
}

const inWords = ({ about, ours, engine }: Difference): string =>
  `${shown(about)}\n  predicted: ${shown(ours)}\n  engine:    ${shown(engine)}`;

/** Tells how far it is where somebody watches. */
const progressTo =
  (screen: NodeJS.WriteStream) =>
  (done: number, total: number): void => {
    if (!screen.isTTY) return;
    screen.write(`\r${done} of ${total} asked`);
    if (done === total) screen.write('\r\u001b[K');
  };

/** Leaves a world in which every block stands, and photographs it. */
async function gallery(
  mod: Mod,
  built: Files,
  { gallery: where, picture, overwrite }: TryOptions,
  signal: AbortSignal,
): Promise<number> {
  const { engine } = engineKit;
  const folder = where === undefined ? undefined : path.resolve(where);
  const files = engine.gallery.lay(mod, built, picture !== undefined);
  const photograph = await makeGallery(engine, files, {
    ...(folder !== undefined && { folder }),
    photograph: picture !== undefined,
    signal,
  });
  if (photograph && picture !== undefined) {
    const { pixels } = photograph;
    const file = path.resolve(picture);
    const bytes = encodePicture(pixels);
    await writeNew(path.dirname(file), new Map([[path.basename(file), bytes]]), overwrite);
    console.log(`${shown(picture)}: ${pixels.width} × ${pixels.height} pixels.`);
  }
  const many = Object.keys(mod.blocks).length;
  const { most } = engine.gallery;
  if (folder !== undefined)
    console.log(
      `${shown(where ?? '')}: a world with ${count(Math.min(many, most), 'block')} in every state` +
        `${many > most ? `, of ${many}` : ''}.`,
    );
  if (photograph?.complaint === undefined) return 0;
  console.log(`The engine complains: ${shown(photograph.complaint)}`);
  return 1;
}
