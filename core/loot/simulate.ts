import type { Count, Draw, LotWhen } from '../mod/index.ts';
import { pickShare } from '../space/index.ts';
import { chanceOf, type Breaking } from './conditions.ts';
import { spanOf } from './counts.ts';
import { weightOf, type LootSource } from './odds.ts';

/**
 * What came out of breaking again and again: for each item how often there was each number of it.
 */
export type Tally = Map<string, number[]>;

/**
 * Breaks a block again and again by the rules of the format, one draw after the other, with numbers
 * drawn from 0 up to but without 1. Yields after every thousand how many there were, so that it can
 * be shown and stopped. It shares nothing with the exact odds but the meaning of a condition
 * without chance, so each tests the other.
 */
export function* simulate(
  draws: readonly Draw[],
  breaking: Breaking,
  source: LootSource,
  breaks: number,
  draw: () => number,
): Generator<number, Tally> {
  const tally: Tally = new Map();
  for (let i = 0; i < breaks; i += 1) {
    const got = new Map<string, number>();
    once(draws, breaking, source, draw, got, []);
    for (const [give, number] of got) {
      let list = tally.get(give);
      if (!list) tally.set(give, (list = []));
      list[number] = (list[number] ?? 0) + 1;
    }
    if (i % 1000 === 999) yield i + 1;
  }
  for (const list of tally.values()) {
    let some = 0;
    for (let n = 0; n < list.length; n += 1) some += list[n] ??= 0;
    list[0]! += breaks - some;
  }
  return tally;
}

function once(
  draws: readonly Draw[],
  breaking: Breaking,
  source: LootSource,
  draw: () => number,
  got: Map<string, number>,
  seen: readonly string[],
): void {
  for (const { times, lots } of draws)
    for (let n = numberOf(times, draw); n > 0; n -= 1) {
      const holding = lots.filter(
        (lot) => lot.share === undefined || weightOf(lot, breaking.luck) > 0,
      );
      const sure = holding.find(
        (lot) => lot.share === undefined && holds(lot.when, breaking, source, draw),
      );
      const sharing = sure
        ? []
        : holding.filter(
            (lot) => lot.share !== undefined && holds(lot.when, breaking, source, draw),
          );
      const lot =
        sure ??
        (sharing.length
          ? sharing[
              pickShare(
                sharing.map((one) => weightOf(one, breaking.luck)),
                draw() * 2 ** 32,
              )
            ]
          : undefined);
      if (lot?.give !== undefined) {
        const number = numberOf(lot.count, draw);
        if (number) got.set(lot.give, (got.get(lot.give) ?? 0) + number);
      } else if (lot?.table !== undefined && !seen.includes(lot.table))
        for (let k = numberOf(lot.count, draw); k > 0; k -= 1)
          once(source.tableOf(lot.table) ?? [], breaking, source, draw, got, [...seen, lot.table]);
    }
}

/** Whether a condition holds this time. */
function holds(
  when: LotWhen | undefined,
  breaking: Breaking,
  source: LootSource,
  draw: () => number,
): boolean {
  if (!when) return true;
  const { chance, all, any, not, ...plain } = when;
  return (
    chanceOf(plain, breaking, source.space) === 1 &&
    (chance === undefined || draw() < chance) &&
    (all ?? []).every((one) => holds(one, breaking, source, draw)) &&
    (!any || any.some((one) => holds(one, breaking, source, draw))) &&
    (!not || !holds(not, breaking, source, draw))
  );
}

function numberOf(count: Count | undefined, draw: () => number): number {
  const [low, high] = spanOf(count);
  if (typeof count !== 'object' || Array.isArray(count))
    return low + Math.floor(draw() * (high - low + 1));
  let hits = 0;
  for (let n = 0; n < high; n += 1) if (draw() < count.chance) hits += 1;
  return hits;
}
