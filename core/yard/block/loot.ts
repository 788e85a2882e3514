import type { State } from '../../states/index.ts';
import type { HowMany, LotCondition, PackWorld, YardDraw, YardLot } from '../pack-world.ts';
import type { Tool } from './dig.ts';
import { matches } from './rows.ts';

/** How a block is broken. */
export interface Breaking {
  state: State;
  tool?: Tool | undefined;
  careful?: boolean;
  blast?: boolean;
  luck?: number;
}

/** What drops: an item, how many of it, and the values that it carries. */
export interface Drop {
  item: string;
  count: number;
  carries?: State;
}

interface Drawing {
  tables: PackWorld['tables'];
  random: () => number;
}

/**
 * What drops when a block is broken, drawn by the section Loot of the format.
 *
 * @example drops(block.draws, { state, tool }, { tables, random: seededRandom(7) })
 */
export function drops(
  draws: readonly YardDraw[] = [],
  breaking: Breaking,
  drawing: Drawing,
  within: ReadonlySet<string> = new Set(),
): Drop[] {
  return draws.flatMap(({ times, lots }) =>
    Array.from({ length: many(times, drawing.random) }).flatMap(() => {
      const lot = drawn(lots, breaking, drawing.random);
      return lot ? brought(lot, breaking, drawing, within) : [];
    }),
  );
}

/** The lot that takes a draw; none where all shares are 0. */
function drawn(
  lots: readonly YardLot[],
  breaking: Breaking,
  random: () => number,
): YardLot | undefined {
  const sure = lots.find(({ share, when }) => share === undefined && holds(when, breaking, random));
  if (sure) return sure;
  const fit = lots.filter(
    ({ share, when }) => share !== undefined && holds(when, breaking, random),
  );
  const shares = fit.map(({ share = 0, luck = 0 }) =>
    Math.max(0, share + luck * (breaking.luck ?? 0)),
  );
  const all = shares.reduce((sum, share) => sum + share, 0);
  if (all === 0) return undefined;
  let left = random() * all;
  return fit.find((_, i) => (left -= shares[i] ?? 0) < 0) ?? fit.at(-1);
}

function brought(
  { give, table, count = 1, keeps }: YardLot,
  breaking: Breaking,
  drawing: Drawing,
  within: ReadonlySet<string>,
): Drop[] {
  const number = many(count, drawing.random);
  if (table !== undefined) {
    // A table that leads back to itself brings nothing the second time.
    if (within.has(table)) return [];
    const deeper = new Set([...within, table]);
    return Array.from({ length: number }).flatMap(() =>
      drops(drawing.tables.get(table), breaking, drawing, deeper),
    );
  }
  if (give === undefined || number <= 0) return [];
  const kept = keeps?.flatMap((name) => {
    const value = breaking.state[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  return [
    { item: give, count: number, ...(kept?.length && { carries: Object.fromEntries(kept) }) },
  ];
}

/** Whether all of a condition holds that hangs on nothing but how the block is broken. */
export function suits(when: LotCondition, breaking: Breaking): boolean {
  const { tool, careful = false, blast = false, state } = breaking;
  // A blast uses no tool and is never careful.
  const hand = blast ? undefined : tool;
  return (
    (when.careful === undefined || when.careful === (careful && !blast)) &&
    (when.blast === undefined || when.blast === blast) &&
    (when.tool === undefined || when.tool === hand?.kind) &&
    (when.grade === undefined || (hand !== undefined && hand.grade >= when.grade)) &&
    matches(when.state, state)
  );
}

function holds(when: LotCondition | undefined, breaking: Breaking, random: () => number): boolean {
  if (!when) return true;
  return (
    suits(when, breaking) &&
    (when.all ?? []).every((one) => holds(one, breaking, random)) &&
    (when.any === undefined || when.any.some((one) => holds(one, breaking, random))) &&
    (when.not === undefined || !holds(when.not, breaking, random)) &&
    (when.chance === undefined || random() < when.chance)
  );
}

/** A number that is drawn: itself, between two, or of tries those that succeed. */
function many(how: HowMany, random: () => number): number {
  if (typeof how === 'number') return Math.max(0, how);
  if ('tries' in how)
    return Array.from({ length: how.tries }).filter(() => random() < how.chance).length;
  const [least, most] = how;
  return Math.max(0, least + Math.floor(random() * (most - least + 1)));
}
