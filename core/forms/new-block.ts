import { lookUp, pointer } from '../json/index.ts';
import {
  defaultTraits,
  nextNumber,
  stockNamed,
  type Block,
  type Change,
  type Mod,
} from '../mod/index.ts';
import type { Form } from './form.ts';
import { madeOf, type RolePictures } from './made.ts';

/** What a new block starts from: a form made of a stock material, or another block of the mod. */
export type BlockStart = { form: Form; stock: string; pictures: RolePictures } | { copyOf: string };

/**
 * The changes that declare a new block: complete from the start, so that nothing is found wrong
 * with it. From a form it has that form's properties, placing, looks and models, with textures of
 * its own; from another block it is that block under a new name. Either way it is registered.
 * Throws a RangeError when the name is taken, the block to copy does not exist, or a picture of the
 * form was not given.
 *
 * @example newBlock(mod, 'kelp_crate', 'Kelp crate', { form, stock: 'timber', pictures })
 */
export function newBlock(mod: Mod, name: string, title: string, start: BlockStart): Change[] {
  if (lookUp(mod.blocks, name)) throw new RangeError(`There is already a block called ${name}.`);
  const names = { [mod.header.languages[0] ?? 'en']: title };
  const register: Change = {
    path: '/ledger/entries',
    before: mod.ledger.entries,
    after: [...mod.ledger.entries, { number: nextNumber(mod.ledger), kind: 'block', name }],
  };
  const declare = (block: Block): Change => ({ path: pointer(['blocks', name]), after: block });
  if ('copyOf' in start) {
    const original = lookUp(mod.blocks, start.copyOf);
    if (!original) throw new RangeError(`There is no block called ${start.copyOf}.`);
    return [declare({ ...original, names }), register];
  }
  const { form, stock, pictures } = start;
  const made = madeOf(mod, name, form, pictures);
  return [
    ...made.changes,
    declare({ ...ofMaterial(mod, stock, form), ...made.parts, names }),
    register,
  ];
}

/** What of a block follows from its material, and from how its form is held. */
function ofMaterial(
  { header }: Mod,
  stock: string,
  form: Form,
): Pick<Block, 'identity' | 'traits' | 'loot' | 'tags'> {
  const traits = stockNamed(stock)?.traits ?? defaultTraits;
  const tag = traits.toolKind === 'none' ? undefined : header.tools.kinds[traits.toolKind]?.tag;
  return {
    identity: { group: header.groups[0]?.name, stock, item: form.item ?? 'block', natural: true },
    // The pictures to begin with have no transparency, whatever the material is like.
    traits: {
      ...(traits.alphaMode === 'opaque' ? {} : { alphaMode: 'opaque', hidesNeighbours: 'whole' }),
      ...form.traits,
    },
    loot: 'itself',
    tags: tag === undefined ? [] : [tag],
  };
}
