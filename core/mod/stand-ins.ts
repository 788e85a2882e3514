import type { Block } from './block.schema.ts';
import type { Fluid } from './flow.schema.ts';
import type { Item, Model, Sound, Texture } from './entries.schema.ts';
import type { Ledger } from './ledger.schema.ts';
import type { Mod } from './mod.schema.ts';

const nothing = '0'.repeat(64);

/** What stands for an entry that is there and of which nothing is known. */
export const standIns: {
  block: Block;
  fluid: Fluid;
  item: Item;
  model: Model;
  texture: Texture;
  sound: Sound;
} = {
  block: {
    identity: { item: 'block' },
    traits: {},
    states: { properties: [] },
    looks: { mode: 'one-of', rows: [] },
    tags: [],
    names: {},
  },
  fluid: { reach: 5, pace: 10, names: {} },
  item: { names: {} },
  model: { boxes: [] },
  texture: {
    picture: {
      sha256: nothing,
      bytes: 0,
      width: 16,
      height: 16,
      alpha: 'none',
      mean: '#808080',
      grey: false,
    },
  },
  sound: { sha256: nothing, bytes: 0, format: 'ogg' },
};

/** A ledger in which all that a mod has is registered, where the ledger itself is not known. */
export function everythingRegistered({ header, blocks, fluids, items }: Mod): Ledger {
  const all = [
    ...header.groups.map(({ name }) => ({ kind: 'group' as const, name })),
    ...Object.keys(blocks).map((name) => ({ kind: 'block' as const, name })),
    ...Object.keys(fluids).map((name) => ({ kind: 'fluid' as const, name })),
    ...Object.keys(items).map((name) => ({ kind: 'item' as const, name })),
  ];
  return { entries: all.map((entry, number) => ({ ...entry, number })), retired: [] };
}
