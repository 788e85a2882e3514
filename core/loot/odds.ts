import type { Draw, Lot } from '../mod/block.schema.ts';
import type { Header, ResolvedBlock } from '../mod/index.ts';
import type { StateSpace } from '../states/index.ts';
import { isRightTool, toolsOf, type Tool } from '../traits/index.ts';

/** How a block is broken: with what, carefully or not, and in which state. */
export interface Breaking { tool: Tool; careful: boolean; state: number }

/** What drops on average: an item, the mean count of it, and the chance that there is at least one. */
export interface Drop { give: string; mean: number; chance: number }

const meanOf = (count: number | readonly [number, number] | undefined): number =>
  count === undefined ? 1 : typeof count === 'number' ? count : (count[0] + count[1]) / 2;

/** True when a lot's conditions hold. */
export function lotHolds({ when }: Lot, { tool, careful, state }: Breaking, space: StateSpace): boolean {
  if (!when) return true;
  if (when.careful !== undefined && when.careful !== careful) return false;
  if (when.tool !== undefined && (tool === 'bare hands' || tool.kind !== when.tool)) return false;
  if (when.grade !== undefined && (tool === 'bare hands' || tool.grade < when.grade)) return false;
  return when.state === undefined || space.matching(when.state).has(state);
}

/** The chance of each lot in one draw: a lot without a share whose condition holds takes it whole; else by share among those that hold. */
export function lotChances(draw: Draw, breaking: Breaking, space: StateSpace): number[] {
  const holds = draw.lots.map((lot) => lotHolds(lot, breaking, space));
  const sure = draw.lots.findIndex((lot, i) => holds[i] && lot.share === undefined);
  if (sure >= 0) return draw.lots.map((_, i) => (i === sure ? 1 : 0));
  const weights = draw.lots.map((lot, i) => (holds[i] ? Math.max(0, lot.share ?? 0) : 0));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => (total > 0 ? weight / total : 0));
}

/**
 * What drops when a block is broken, exact: means add up over draws and lots; chances take the draws as independent.
 *
 * @example drops(crust.draws, { tool: { kind: 'spade', grade: 1 }, careful: false, state: 0 }, space) // salt, 2 on average
 */
export function drops(draws: readonly Draw[], breaking: Breaking, space: StateSpace): Drop[] {
  const found = new Map<string, { mean: number; none: number }>();
  for (const draw of draws) {
    const times = meanOf(draw.times);
    const chances = lotChances(draw, breaking, space);
    const perDraw = new Map<string, number>();
    draw.lots.forEach((lot, i) => {
      if (!chances[i]) return;
      const entry = found.get(lot.give) ?? { mean: 0, none: 1 };
      entry.mean += times * chances[i]! * meanOf(lot.count);
      found.set(lot.give, entry);
      perDraw.set(lot.give, (perDraw.get(lot.give) ?? 0) + chances[i]! * chanceOfSome(lot.count));
    });
    for (const [give, chance] of perDraw) found.get(give)!.none *= noneOf(draw.times, chance);
  }
  return [...found].map(([give, { mean, none }]) => ({ give, mean, chance: 1 - none }));
}

/** The chance that a count is above zero; a range is drawn evenly over its whole numbers. */
function chanceOfSome(count: Lot['count']): number {
  if (count === undefined) return 1;
  if (typeof count === 'number') return count > 0 ? 1 : 0;
  const [low, high] = count;
  return low > 0 ? 1 : high <= 0 ? 0 : high / (high - low + 1);
}

/** The chance that none of the times brings anything, averaged over a range of times. */
function noneOf(times: Draw['times'], chance: number): number {
  if (typeof times === 'number') return (1 - chance) ** Math.max(0, times);
  const [low, high] = times;
  let sum = 0;
  for (let n = low; n <= high; n += 1) sum += (1 - chance) ** Math.max(0, n);
  return high >= low ? sum / (high - low + 1) : 1;
}

/** What becomes of breaking a block with a tool: it cannot be dug, the tool is not enough for a drop, or this drops. */
export type Broken = 'cannot be dug' | 'gated' | Drop[];

/**
 * What drops when a block is dug: its traits decide first whether it can be dug and whether the tool is enough, then its loot table.
 *
 * @example broken(granite, { tool: 'bare hands', careful: false, state: 0 }) // 'gated'
 */
export function broken(block: Pick<ResolvedBlock, 'traits' | 'draws' | 'space'>, breaking: Breaking): Broken {
  if (block.traits.hardness === 'unbreakable') return 'cannot be dug';
  if (block.traits.gated && !isRightTool(block.traits, breaking.tool)) return 'gated';
  return drops(block.draws, breaking, block.space);
}

/** The tools that make a difference to a block: bare hands, its own kind at every grade, and the kinds that its loot table asks for. */
export function tellingTools(block: Pick<ResolvedBlock, 'traits' | 'draws'>, header: Pick<Header, 'tools'>): Tool[] {
  const kinds = new Set([block.traits.toolKind, ...block.draws.flatMap((draw) => draw.lots.flatMap((lot) => lot.when?.tool ?? []))]);
  return ['bare hands', ...[...kinds].flatMap((kind) => toolsOf(header, kind).slice(1))];
}
