import path from 'node:path';
import { sceneOfState, writeGlb, writeObj } from '../../core/exchange/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { lookUp, resolveBlock } from '../../core/mod/index.ts';
import { stateFromText } from '../../core/states/index.ts';
import { closest, count, didYouMean } from '../../core/words/index.ts';
import { DiskProblem, readModOrPack, shown, writeNew } from '../../disk/index.ts';

export interface ModelOptions {
  block: string;
  state?: string;
  out: string;
  overwrite?: boolean;
}

/**
 * Writes a block of a mod folder, as it looks in one state, as a model for other programs: one
 * `.glb` with its pictures inside, or an `.obj` with its materials and pictures beside it.
 */
export async function model(folder: string, options: ModelOptions): Promise<number> {
  const ending = path.extname(options.out).toLowerCase();
  if (ending !== '.glb' && ending !== '.obj')
    throw new DiskProblem(`${shown(options.out)} must end in .glb or in .obj.`);
  const { kind, files } = await readModOrPack(folder);
  if (kind !== 'mod')
    throw new DiskProblem(
      `${shown(folder)} is a pack. Give the folder of a mod, the one with mod.json.`,
    );
  const { mod: folderMod, blobs } = readModFolder(files);
  const mod = expandFamilies(folderMod);
  const declared = lookUp(mod.blocks, options.block);
  if (!declared)
    throw new DiskProblem(
      `There is no block called ${options.block}.` +
        didYouMean(closest(options.block, Object.keys(mod.blocks))),
    );
  const block = resolveBlock(mod, options.block, declared);
  const state = stateOf(block.space, options.state ?? '');
  const scene = sceneOfState(mod, block, state, (sha256) => blobs.get(sha256));
  const name = path.basename(options.out, path.extname(options.out));
  const written =
    ending === '.glb'
      ? new Map([[path.basename(options.out), writeGlb(scene)]])
      : writeObj(scene, name);
  await writeNew(path.dirname(options.out), written, options.overwrite);
  const faces = scene.parts.reduce((sum, part) => sum + part.faces.length, 0);
  console.log(
    `${shown(options.out)}: ${options.block} (${block.space.describe(state)}), ` +
      `${count(scene.parts.length, 'box', 'boxes')}, ${count(faces, 'face')}, ` +
      `${count(scene.materials.length, 'material')}.`,
  );
  return 0;
}

/** Says what is wrong with a state as what a person did wrong. */
function stateOf(space: Parameters<typeof stateFromText>[0], text: string): number {
  try {
    return stateFromText(space, text);
  } catch (error) {
    if (error instanceof RangeError) throw new DiskProblem(error.message);
    throw error;
  }
}
