import type { Block } from './block.schema.ts';
import type { Change } from './edit.ts';
import type { Picture } from './entries.schema.ts';
import { nextNumber, retire } from './ledger.ts';
import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';
import { lookUp, pointer } from '../json/index.ts';
import { stockNamed } from './stock.ts';
import { defaultTraits } from './traits.ts';

/**
 * What a new block starts from: a stock material, with a picture for its cube, or another block of
 * the mod.
 */
export type BlockStart = { stock: string; picture: Picture } | { copyOf: string };

/**
 * The changes that declare a new block: complete from the start, so that nothing is found wrong
 * with it. From stock it is a cube with its own texture; from another block it is that block under
 * a new name. Either way it is registered. Throws a RangeError when the name is taken or the block
 * to copy does not exist.
 */
export function newBlock(mod: Mod, name: string, title: string, start: BlockStart): Change[] {
  if (lookUp(mod.blocks, name)) throw new RangeError(`There is already a block called ${name}.`);
  const language = mod.header.languages[0] ?? 'en';
  const register: Change = {
    path: '/ledger/entries',
    before: mod.ledger.entries,
    after: [...mod.ledger.entries, { number: nextNumber(mod.ledger), kind: 'block', name }],
  };
  if ('copyOf' in start) {
    const original = lookUp(mod.blocks, start.copyOf);
    if (!original) throw new RangeError(`There is no block called ${start.copyOf}.`);
    return [
      {
        path: pointer(['blocks', name]),
        after: { ...original, names: { [language]: title } } satisfies Block,
      },
      register,
    ];
  }
  const id = idOf(mod.header.namespace, name);
  const traits = stockNamed(start.stock)?.traits ?? defaultTraits;
  const tag = traits.toolKind === 'none' ? undefined : mod.header.tools.kinds[traits.toolKind]?.tag;
  const block: Block = {
    identity: {
      group: mod.header.groups[0]?.name,
      stock: start.stock,
      item: 'block',
      natural: true,
    },
    traits: traits.alphaMode === 'opaque' ? {} : { alphaMode: 'opaque', hidesNeighbours: 'whole' },
    states: { properties: [] },
    looks: { mode: 'one-of', rows: [{ use: [{ model: id }] }] },
    loot: 'itself',
    tags: tag === undefined ? [] : [tag],
    names: { [language]: title },
  };
  const free = (kind: 'models' | 'textures', after: unknown): Change => ({
    path: pointer([kind, name]),
    before: lookUp<unknown>(mod[kind], name),
    after,
  });
  return [
    free('textures', { picture: start.picture }),
    free('models', { template: 'obrank:cube', slots: { face: id } }),
    { path: pointer(['blocks', name]), after: block },
    register,
  ];
}

/**
 * The changes that take a block out of the mod: its number is retired, so that saved worlds never
 * meet it again as something else.
 */
export function removeBlock(mod: Mod, name: string): Change[] {
  const at = mod.ledger.entries.findIndex((one) => one.kind === 'block' && one.name === name);
  return [
    { path: pointer(['blocks', name]), before: lookUp(mod.blocks, name) },
    ...(at < 0 ? [] : retire(mod.ledger, at)),
  ];
}
