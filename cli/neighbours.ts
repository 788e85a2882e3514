import {
  folderForm,
  formOf,
  inspectBeside,
  type Finding,
  type Neighbour,
} from '../core/inspect/index.ts';
import type { Declared } from '../core/kits/index.ts';
import { DiskProblem, readModOrPack, shown, type ReadTarget } from '../disk/index.ts';

/** What a mod or a pack declares; undefined where that cannot be read. */
const declaredIn = (tree: ReadTarget): Declared | undefined =>
  (tree.kind === 'mod' ? folderForm : formOf(tree.kit)).read(tree.files).declared;

/** Mods and packs that are laid beside another. Throws a {@link DiskProblem} for what is neither. */
export async function readNeighbours(paths: readonly string[]): Promise<Neighbour[]> {
  const neighbours: Neighbour[] = [];
  for (const path of paths) {
    const mod = declaredIn(await readModOrPack(path))?.mod;
    if (!mod)
      throw new DiskProblem(
        `${shown(path)} does not say what it is called, so nothing can be laid beside it.`,
      );
    neighbours.push({ title: mod.header.title, mod });
  }
  return neighbours;
}

/** What a mod or a pack and its neighbours do to each other, told of the first. */
export function inspectTreeBeside(tree: ReadTarget, neighbours: readonly Neighbour[]): Finding[] {
  const declared = neighbours.length ? declaredIn(tree) : undefined;
  return declared ? inspectBeside(declared.mod, neighbours, declared.placeOf) : [];
}
