import type { HowMany, LotCondition, PackWorld, YardDraw, YardLot } from '../pack-world.ts';
import { suits, type Breaking } from './loot.ts';

/** Of more lots that hang on chance their ways are too many to sum. */
const mostByChance = 12;

/**
 * How many of each item drop in the mean when a block is broken so, exactly, by the section Loot of
 * the format. Undefined where too many lots of one draw hang on chance.
 *
 * @example expectedDrops(block.draws, { state, tool }, world.tables)?.get('saltmarsh:salt') // 1.75
 */
export function expectedDrops(
  draws: readonly YardDraw[] = [],
  breaking: Breaking,
  tables: PackWorld['tables'],
): Map<string, number> | undefined {
  const sums = new Map<string, number>();
  return add(sums, draws, 1, breaking, tables, new Set()) ? sums : undefined;
}

function add(
  sums: Map<string, number>,
  draws: readonly YardDraw[],
  times: number,
  breaking: Breaking,
  tables: PackWorld['tables'],
  within: ReadonlySet<string>,
): boolean {
  return draws.every((draw) => {
    const chances = lotChances(draw.lots, breaking);
    if (!chances) return false;
    return draw.lots.every((lot, i) => {
      const many = times * meanOf(draw.times) * (chances[i] ?? 0) * meanOf(lot.count ?? 1);
      if (many === 0) return true;
      if (lot.table !== undefined) {
        if (within.has(lot.table)) return true;
        const deeper = new Set([...within, lot.table]);
        return add(sums, tables.get(lot.table) ?? [], many, breaking, tables, deeper);
      }
      if (lot.give !== undefined) sums.set(lot.give, (sums.get(lot.give) ?? 0) + many);
      return true;
    });
  });
}

/** With which chance each lot takes a draw. */
function lotChances(lots: readonly YardLot[], breaking: Breaking): number[] | undefined {
  const holds = lots.map(({ when }) => chanceOf(when, breaking));
  const chances = lots.map(() => 0);
  let left = 1;
  for (const [i, { share }] of lots.entries()) {
    if (share !== undefined) continue;
    chances[i] = left * (holds[i] ?? 0);
    left *= 1 - (holds[i] ?? 0);
  }
  const shared = [...lots.keys()].filter((i) => lots[i]?.share !== undefined && holds[i]! > 0);
  const unsure = shared.filter((i) => holds[i]! < 1);
  if (unsure.length > mostByChance) return undefined;
  const shareOf = (i: number) => {
    const { share = 0, luck = 0 } = lots[i] ?? {};
    return Math.max(0, share + luck * (breaking.luck ?? 0));
  };
  for (let which = 0; which < 2 ** unsure.length; which += 1) {
    const isIn = (i: number) => !unsure.includes(i) || Boolean(which & (1 << unsure.indexOf(i)));
    const way = unsure.reduce(
      (chance, i) => chance * (isIn(i) ? (holds[i] ?? 0) : 1 - (holds[i] ?? 0)),
      left,
    );
    const fit = shared.filter(isIn);
    const all = fit.reduce((sum, i) => sum + shareOf(i), 0);
    if (all > 0) for (const i of fit) chances[i]! += (way * shareOf(i)) / all;
  }
  return chances;
}

/** With which chance a condition holds: each chance in it is drawn by itself. */
function chanceOf(when: LotCondition | undefined, breaking: Breaking): number {
  if (!when) return 1;
  if (!suits(when, breaking)) return 0;
  const all = (when.all ?? []).reduce((chance, one) => chance * chanceOf(one, breaking), 1);
  const none = (when.any ?? []).reduce((chance, one) => chance * (1 - chanceOf(one, breaking)), 1);
  const not = when.not === undefined ? 1 : 1 - chanceOf(when.not, breaking);
  return all * (when.any === undefined ? 1 : 1 - none) * not * (when.chance ?? 1);
}

function meanOf(how: HowMany): number {
  if (typeof how === 'number') return Math.max(0, how);
  if ('tries' in how) return how.tries * how.chance;
  const [least, most] = how;
  let sum = 0;
  for (let many = least; many <= most; many += 1) sum += Math.max(0, many);
  return sum / (most - least + 1);
}
