import { entryOf, type Change } from '../mod/index.ts';

/** So many blocks are named of one step. */
const namedAtMost = 50;

/**
 * The blocks that changes touch, by name, each once.
 *
 * @example touchedBlocks([{ path: '/blocks/brine/traits/hardness', before: 1, after: 2 }]) // ['brine']
 */
export function touchedBlocks(changes: readonly Change[]): string[] {
  const names = changes.flatMap(({ path }) => {
    const { kind, name } = entryOf(path);
    return kind === 'blocks' && name !== '' ? [name] : [];
  });
  return [...new Set(names)].slice(0, namedAtMost);
}
