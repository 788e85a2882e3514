import { builtKits } from '../../../../../core/kits/index.ts';
import { broken, lootSource, waysOf, type Broken } from '../../../../../core/loot/index.ts';
import { lookUp, titleOf, type Mod, type ResolvedBlock } from '../../../../../core/mod/index.ts';
import { digTime, toolName } from '../../../../../core/traits/index.ts';

/** What digging with one tool takes, by the reference and by the kit's engine, and what it gives. */
export interface DigRow {
  tool: string;
  seconds: number;
  ticks: number;
  /** What the engine of the kit takes, where it digs otherwise. */
  there: { seconds: number; ticks: number } | undefined;
  gives: string;
}

interface Digging {
  state: number;
  careful: boolean;
}

/**
 * A row for each tool that makes a difference. Empty for what nothing digs.
 *
 * @example digRows(mod, block, { state: 0, careful: false })[0]
 * // { tool: 'bare hands', seconds: 3.2, ticks: 64, there: undefined, gives: '1 itself' }
 */
export function digRows(mod: Mod, block: ResolvedBlock, { state, careful }: Digging): DigRow[] {
  const { header } = mod;
  const { traits } = block;
  const physics = builtKits(mod).find((kit) => kit.physics)?.physics;
  const source = lootSource(mod, block);
  return waysOf(block, header, source).flatMap(({ tool, blast }) => {
    const { seconds, ticks } = digTime(traits, tool, header);
    if (blast || seconds === undefined || ticks === undefined) return [];
    const there = physics && digTime(traits, tool, header, physics);
    return [
      {
        tool: toolName(tool, header),
        seconds,
        ticks,
        there: there && { seconds: there.seconds ?? 0, ticks: there.ticks ?? 0 },
        gives: dropWords(mod, block, broken(block, { tool, careful, state }, source)),
      },
    ];
  });
}

/** What drops, in a few words: the mean count and the name of each item. */
function dropWords(mod: Mod, block: ResolvedBlock, found: Broken): string {
  if (typeof found === 'string') return found === 'gated' ? 'nothing' : found;
  const titleFor = (give: string) => {
    if (give === block.id) return 'itself';
    const name = give.slice(give.indexOf(':') + 1);
    return titleOf(mod, name, (lookUp(mod.items, name) ?? lookUp(mod.blocks, name))?.names);
  };
  const words = found.map(({ give, mean }) => `${Number(mean.toFixed(2))} ${titleFor(give)}`);
  return words.join(', ') || 'nothing';
}
