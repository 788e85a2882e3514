import { resolveBlocks, titleOf, type Mod } from '../../../mod/index.ts';
import { compileBlock, type CompiledBlock } from '../states/compile.ts';

/** A block as it is tried: compiled, with its name in words. */
export interface TriedBlock extends CompiledBlock {
  title: string;
  /** The full names of its nodes, by their place. */
  names: readonly string[];
}

/** All blocks of a mod as they are tried. */
export const triedBlocks = (mod: Mod): TriedBlock[] =>
  resolveBlocks(mod).map((block) => {
    const compiled = compileBlock(mod, block);
    return {
      ...compiled,
      title: titleOf(mod, block.name, block.declared.names),
      names: compiled.nodes.map(({ name }) => `${mod.header.namespace}:${name}`),
    };
  });

/** A state of a block in words: `Tide lantern, lit = true`. */
export const stateWords = ({ title, block }: TriedBlock, state: number): string =>
  block.space.size > 1 ? `${title}, ${block.space.describe(state)}` : title;
