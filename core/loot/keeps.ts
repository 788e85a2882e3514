import { carried, type Block } from '../mod/index.ts';

/**
 * The properties that an item of a block may keep: those that placing takes from the item, and those
 * that a lot keeps already.
 */
export function keepableProperties(
  { states }: Pick<Block, 'states'>,
  keeps: readonly string[],
): string[] {
  const taken = carried(states);
  return states.properties
    .map(({ name }) => name)
    .filter((name) => taken.includes(name) || keeps.includes(name));
}
