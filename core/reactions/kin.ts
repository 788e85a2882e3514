import type { ReactingBlock } from './world.ts';

/**
 * Some blocks with every block that they may become or put beside them, by their ids; undefined for
 * an id that is of no block.
 *
 * @example kinOf(['saltmarsh:samphire'], blocks).keys() // saltmarsh:samphire, saltmarsh:salt_crust
 */
export function kinOf(
  ids: readonly string[],
  byId: ReadonlyMap<string, ReactingBlock>,
): ReadonlyMap<string, ReactingBlock | undefined> {
  const kin = new Map<string, ReactingBlock | undefined>();
  const add = (id: string): void => {
    if (kin.has(id)) return;
    const block = byId.get(id);
    kin.set(id, block);
    for (const { then } of block?.reactions ?? [])
      for (const action of then) if ('block' in action) add(action.block);
  };
  ids.forEach(add);
  return kin;
}
