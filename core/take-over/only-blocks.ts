import { lookUp } from '../json/index.ts';
import { applyChanges, emptyMod, type Mod } from '../mod/index.ts';
import { bringBlocks } from './bring.ts';
import { TakeOverProblem } from './problem.ts';

const kindOf = { block: 'blocks', fluid: 'fluids', item: 'items' } as const;

/**
 * The mod with these of its blocks alone, and what they need: their models, pictures, sounds, loot,
 * items, tags and recipes, under the same names, ids and numbers. It is for being built; families
 * must have been spread out. Throws a {@link TakeOverProblem} for a block that there is not.
 *
 * @example Object.keys(onlyBlocks(mod, ['lantern']).blocks) // ['lantern']
 */
export function onlyBlocks(mod: Mod, names: readonly string[]): Mod {
  const strange = names.find((name) => !lookUp(mod.blocks, name));
  if (strange !== undefined)
    throw new TakeOverProblem(`The mod has no block called ${strange.slice(0, 64)}.`);
  const { header, kits, kitFiles } = mod;
  const empty = {
    ...emptyMod(header.namespace, header.title),
    header: { ...header, groups: [] },
    kits,
    kitFiles,
  };
  const { changes, arrivals } = bringBlocks(empty, mod, names);
  const made = applyChanges(empty, changes);
  const isHere = (kind: keyof typeof kindOf | 'group', name: string): boolean =>
    kind === 'group'
      ? arrivals.some((one) => one.kind === 'groups' && one.from === name)
      : Object.hasOwn(made[kindOf[kind]], name);
  const groups = header.groups.filter(({ name }) => isHere('group', name));
  return {
    ...made,
    header: {
      ...made.header,
      groups: groups.map(({ icon, ...group }) => {
        const item = icon?.split(':').at(-1) ?? '';
        return isHere('block', item) || isHere('item', item) ? { ...group, icon } : group;
      }),
    },
    ledger: {
      ...mod.ledger,
      entries: mod.ledger.entries.filter(({ kind, name }) => isHere(kind, name)),
    },
  };
}
