import { lookUp, pointer } from '../json/index.ts';
import {
  defaultTraits,
  idOf,
  nextNumber,
  stockNamed,
  type Block,
  type Change,
  type Mod,
} from '../mod/index.ts';
import { lootOfForm, type Form } from './form.ts';
import { madeOf, type RolePictures } from './made.ts';

/** What a new block starts from: a form made of a stock material, or another block of the mod. */
export type BlockStart = { form: Form; stock: string; pictures: RolePictures } | { copyOf: string };

/** Forms in which things lie in the ground or grow. */
const wholeForms: ReadonlySet<string> = new Set([
  'cube',
  'ends_and_sides',
  'six_sides',
  'column',
  'cross',
]);

/**
 * Whether a block that starts so is one that the world has of itself: a whole block of what lies in
 * the ground is; a stair, a pane or a bar is made. A copy is had as the block that it is copied from.
 *
 * @example isFoundAtFirst(mod, { form: 'stair', stock: 'granite' }) // false
 */
export function isFoundAtFirst(
  mod: Mod,
  start: { form: string; stock: string } | { copyOf: string },
): boolean {
  if ('copyOf' in start) return lookUp(mod.blocks, start.copyOf)?.identity.natural ?? false;
  return wholeForms.has(start.form) && stockNamed(start.stock)?.origin === 'found';
}

/**
 * The changes that declare a new block: complete from the start, so that nothing is found wrong
 * with it. From a form it has that form's properties, placing, looks and models, with textures of
 * its own; from another block it is that block under a new name. Either way it is registered.
 * `natural` says whether the world has it, so that nobody needs to make it.
 * Throws a RangeError when the name is taken, the block to copy does not exist, or a picture of the
 * form was not given.
 *
 * @example newBlock(mod, 'kelp_crate', 'Kelp crate', { form, stock: 'timber', pictures })
 */
export function newBlock(
  mod: Mod,
  name: string,
  title: string,
  start: BlockStart,
  natural = 'copyOf' in start ? isFoundAtFirst(mod, start) : true,
): Change[] {
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
    const { natural: _, ...identity } = original.identity;
    return [
      declare({ ...original, identity: { ...identity, ...(natural && { natural }) }, names }),
      register,
    ];
  }
  const { form, stock, pictures } = start;
  const made = madeOf(mod, name, form, pictures);
  return [
    ...made.changes,
    declare({ ...ofMaterial(mod, name, stock, form, natural), ...made.parts, names }),
    register,
  ];
}

/** What of a block follows from its material, and from how its form is held. */
function ofMaterial(
  { header }: Mod,
  name: string,
  stock: string,
  form: Form,
  natural: boolean,
): Pick<Block, 'identity' | 'traits' | 'loot' | 'reactions' | 'tags'> {
  const traits = stockNamed(stock)?.traits ?? defaultTraits;
  const tag = traits.toolKind === 'none' ? undefined : header.tools.kinds[traits.toolKind]?.tag;
  return {
    identity: {
      group: header.groups[0]?.name,
      stock,
      item: form.item ?? 'block',
      ...(natural && { natural }),
    },
    // The pictures to begin with have no transparency, whatever the material is like.
    traits: {
      ...(traits.alphaMode === 'opaque' ? {} : { alphaMode: 'opaque', hidesNeighbours: 'whole' }),
      ...form.traits,
    },
    loot: lootOfForm(form, idOf(header.namespace, name)),
    ...(form.reactions && { reactions: form.reactions(idOf(header.namespace, name)) }),
    tags: tag === undefined ? [] : [tag],
  };
}
