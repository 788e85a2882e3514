import { itemAt } from '../lists/index.ts';
import type { Draw, Lot, Mod, ResolvedBlock } from '../mod/index.ts';
import { lookUp, conditionsIn, ownName } from '../mod/index.ts';
import type { StateSpace } from '../states/index.ts';
import { isRightTool, type Diggable } from '../traits/index.ts';
import { chanceOf, type Breaking } from './conditions.ts';
import { compound, convolve, generating, meanOf, spread } from './counts.ts';

/**
 * What draws are looked up in: the states of the block that is broken, and the loot tables by their
 * ids.
 */
export interface LootSource {
  space: StateSpace;
  tableOf: (id: string) => readonly Draw[] | undefined;
}

/** The source for a block of a mod. */
export const lootSource = (
  mod: Pick<Mod, 'header' | 'lootTables'>,
  { space }: Pick<ResolvedBlock, 'space'>,
): LootSource => ({
  space,
  tableOf: (id) => lookUp(mod.lootTables, ownName(mod.header.namespace, id) ?? '')?.draws,
});

/**
 * What drops on average: an item, what it carries, the mean count of it, and the chance that there
 * is at least one.
 */
export interface Drop {
  give: string;
  keeps: readonly string[];
  mean: number;
  chance: number;
}

/**
 * So many lots of one draw may hold by chance and have a share; beyond that there are too many
 * cases to count.
 */
export const mostByChance = 16;

/** True when a draw has more lots that hold by chance than can be counted. */
export const tooManyCases = (draws: readonly Draw[]): boolean =>
  draws.some(
    ({ lots }) =>
      lots.filter(
        ({ share, when }) =>
          share !== undefined &&
          conditionsIn(when).some(({ when: { chance } }) => chance !== undefined),
      ).length > mostByChance,
  );

/** The weight of a lot for so lucky a player. */
export const weightOf = ({ share = 0, luck = 0 }: Lot, level = 0): number =>
  Math.max(0, share + luck * level);

/**
 * The chance of each lot in one draw, exact. Lots without a share come first, in their order: each
 * takes the draw when its condition holds. Else one of those with a share whose condition holds
 * takes it, by share. Where conditions hold by chance every case counts: cases in which the other
 * shares come to the same sum are counted together.
 *
 * @example lotChances({ times: 1, lots: [{ share: 1 }, { share: 3 }] }, breaking, space)
 * // [0.25, 0.75]
 */
export function lotChances(draw: Draw, breaking: Breaking, space: StateSpace): number[] {
  const holds = draw.lots.map((lot) => chanceOf(lot.when, breaking, space));
  const chances = draw.lots.map(() => 0);
  let left = 1;
  draw.lots.forEach(({ share }, i) => {
    if (share !== undefined) return;
    chances[i] = left * itemAt(holds, i);
    left -= chances[i];
  });
  if (left <= 0) return chances;
  const weights = draw.lots.map((lot) => weightOf(lot, breaking.luck));
  const sharing = weights.flatMap((weight, i) =>
    itemAt(draw.lots, i).share !== undefined && weight > 0 && itemAt(holds, i) > 0 ? [i] : [],
  );
  for (const i of sharing) {
    let sums = new Map([[0, 1]]);
    for (const j of sharing) {
      if (j === i) continue;
      const next = new Map<number, number>();
      const add = (sum: number, chance: number) => {
        if (chance > 0) next.set(sum, (next.get(sum) ?? 0) + chance);
      };
      for (const [sum, chance] of sums) {
        add(sum + itemAt(weights, j), chance * itemAt(holds, j));
        add(sum, chance * (1 - itemAt(holds, j)));
      }
      sums = next;
    }
    let taken = 0;
    for (const [sum, chance] of sums)
      taken += (chance * itemAt(weights, i)) / (itemAt(weights, i) + sum);
    chances[i] = left * itemAt(holds, i) * taken;
  }
  return chances;
}

const keyOf = (give: string, keeps: readonly string[] = []): string => [give, ...keeps].join(' ');

/**
 * What drops by some draws, exact: means add up over draws and lots; chances follow from the
 * generating functions of the counts. A table that leads back to itself brings nothing the second
 * time.
 *
 * @example drops(crust.draws, { tool: { kind: 'spade', grade: 1 }, careful: false, state: 0 }, source)
 * // salt, 2 on average
 */
export function drops(
  draws: readonly Draw[],
  breaking: Breaking,
  source: LootSource,
  seen: readonly string[] = [],
): Drop[] {
  const found = new Map<string, Drop & { none: number }>();
  for (const draw of draws) {
    const perDraw = new Map<string, { drop: Drop; mean: number; some: number }>();
    const add = (drop: Drop, mean: number, some: number) => {
      const key = keyOf(drop.give, drop.keeps);
      const before = perDraw.get(key);
      perDraw.set(key, {
        drop,
        mean: (before?.mean ?? 0) + mean,
        some: (before?.some ?? 0) + some,
      });
    };
    const chances = lotChances(draw, breaking, source.space);
    draw.lots.forEach((lot, i) => {
      const chance = itemAt(chances, i);
      if (chance <= 0) return;
      if (lot.give !== undefined)
        add(
          { give: lot.give, keeps: lot.keeps ?? [], mean: 0, chance: 0 },
          chance * meanOf(lot.count),
          chance * (1 - generating(lot.count, 0)),
        );
      else
        for (const drop of insideOf(lot, breaking, source, seen))
          add(
            drop,
            chance * meanOf(lot.count) * drop.mean,
            chance * (1 - generating(lot.count, 1 - drop.chance)),
          );
    });
    for (const [key, { drop, mean, some }] of perDraw) {
      const before = found.get(key) ?? { ...drop, mean: 0, none: 1 };
      found.set(key, {
        ...before,
        mean: before.mean + meanOf(draw.times) * mean,
        none: before.none * generating(draw.times, 1 - some),
      });
    }
  }
  return [...found.values()]
    .map(({ none, ...drop }) => ({ ...drop, chance: 1 - none }))
    .filter(({ mean }) => mean > 0);
}

function insideOf(
  { table }: Lot,
  breaking: Breaking,
  source: LootSource,
  seen: readonly string[],
): Drop[] {
  if (table === undefined || seen.includes(table)) return [];
  return drops(source.tableOf(table) ?? [], breaking, source, [...seen, table]);
}

/**
 * The chance of each number of an item, from 0 on; undefined where there are too many outcomes to
 * tell.
 *
 * @example distribution([{ times: 2, lots: [{ give: 's:seed', share: 1 }, { share: 1 }] }], 's:seed', breaking, source)
 * // [0.25, 0.5, 0.25]
 */
export function distribution(
  draws: readonly Draw[],
  give: string,
  breaking: Breaking,
  source: LootSource,
  seen: readonly string[] = [],
): number[] | undefined {
  let all: number[] = [1];
  for (const draw of draws) {
    const one = [1];
    const chances = lotChances(draw, breaking, source.space);
    for (const [i, lot] of draw.lots.entries()) {
      const nested =
        lot.table !== undefined && !seen.includes(lot.table)
          ? distribution(source.tableOf(lot.table) ?? [], give, breaking, source, [
              ...seen,
              lot.table,
            ])
          : [1];
      const of = lot.give === give ? spread(lot.count) : compound(spread(lot.count), nested);
      if (!of) return undefined;
      of.forEach((chance, n) => {
        one[n] = (one[n] ?? 0) + itemAt(chances, i) * chance;
      });
      one[0]! -= itemAt(chances, i);
    }
    const times = compound(spread(draw.times), one);
    if (!times || times.length + all.length > 4 * 4096) return undefined;
    all = convolve(all, times);
  }
  return all;
}

/** The tables that some draws lead to, directly or through others, each once. */
export function tablesIn(draws: readonly Draw[], source: Pick<LootSource, 'tableOf'>): string[] {
  const found = new Set(draws.flatMap(({ lots }) => lots.flatMap(({ table }) => table ?? [])));
  for (const id of found)
    for (const { lots } of source.tableOf(id) ?? [])
      for (const { table } of lots) if (table !== undefined) found.add(table);
  return [...found];
}

/**
 * What becomes of breaking a block: it cannot be dug, the tool is not enough for a drop, there are
 * too many cases to count, or this drops.
 */
export type Broken = 'cannot be dug' | 'gated' | 'too many cases' | Drop[];

/**
 * What drops when a block is broken: its traits decide first whether it can be dug and whether the
 * tool is enough, then its loot table. A blast uses no tool, so neither hardness nor gate keeps it
 * from a drop.
 *
 * @example broken(granite, { tool: 'bare hands', careful: false, state: 0 }, source) // 'gated'
 */
export function broken(
  block: Pick<ResolvedBlock, 'draws'> & { traits: Diggable },
  breaking: Breaking,
  source: LootSource,
): Broken {
  if (!breaking.blast && block.traits.hardness === 'unbreakable') return 'cannot be dug';
  if (!breaking.blast && block.traits.gated && !isRightTool(block.traits, breaking.tool))
    return 'gated';
  return tooManyCases([
    ...block.draws,
    ...tablesIn(block.draws, source).flatMap((table) => source.tableOf(table) ?? []),
  ])
    ? 'too many cases'
    : drops(block.draws, breaking, source);
}
