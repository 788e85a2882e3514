import { idOf, ingredientsOf, ownName, resultsOf } from '../mod/index.ts';
import { diggingsOf, yieldsOf, type Makings } from './diggings.ts';
import { isBroughtAlong, type Accepts } from './parts.ts';

/** How an item can come to be: the world has it, it is dug from a block, made by a recipe, or dipped with a bucket. */
export interface Way {
  how: 'found' | 'brought along' | 'dug' | 'made' | 'dipped';
  /** The block that is dug or dipped from, or the recipe. */
  by?: string;
  /** What it takes: ids, each as often as it is taken. Of a tag the member that is had soonest. */
  takes: string[];
  /** How many come of it, on average. */
  count: number;
}

/** An item that can be had: the way that takes the fewest steps, how many, and what one of it costs in what the world gives. */
export interface Had { way: Way; steps: number; cost: ReadonlyMap<string, number> }

/** A way that is not open yet, and what it waits for: of each ingredient one that can be had. */
interface Waiting { gives: string; way: Omit<Way, 'takes'>; needs: ReadonlySet<string>[]; times: number[] }

/**
 * Everything that a player can come to have, from what the world gives through digging, dipping and recipes: in rounds, so that each
 * item is had in the fewest steps; of ways that take as many, the one that costs least, then the one that brings most. What other mods and the stock bring is always
 * there. Linear in the mentions of items (forward chaining, Dowling and Gallier, 1984).
 *
 * @example whatCanBeHad(mod, accepts).get('saltmarsh:tide_lantern')!.cost // Map { 'saltmarsh:raw_brack' → 6, … }
 */
export function whatCanBeHad(mod: Makings, accepts: Accepts): Map<string, Had> {
  const { namespace } = mod.header;
  const had = new Map<string, Had>();
  const waiting = waysIn(mod, accepts);
  const byNeed = new Map<string, Set<Waiting>>();
  for (const way of waiting) for (const set of way.needs) for (const item of set) {
    const list = byNeed.get(item);
    if (list) list.add(way);
    else byNeed.set(item, new Set([way]));
  }
  const there = (id: string) => had.has(id) || isBroughtAlong(id, namespace);
  const tried = new Set<Waiting>();
  let candidates: Iterable<Waiting> = waiting;
  for (let steps = 0; ; steps += 1) {
    const fresh = new Map<string, Had>();
    for (const way of candidates) {
      if (tried.has(way) || !way.needs.every((set) => [...set].some(there))) continue;
      tried.add(way);
      if (had.has(way.gives)) continue;
      const found = hadBy(way, steps, had, there);
      const other = fresh.get(way.gives);
      if (!other || total(found.cost) < total(other.cost) || (total(found.cost) === total(other.cost) && found.way.count > other.way.count)) fresh.set(way.gives, found);
    }
    if (!fresh.size) return had;
    const next = new Set<Waiting>();
    for (const [id, one] of fresh) {
      had.set(id, one);
      for (const way of byNeed.get(id) ?? []) next.add(way);
    }
    candidates = next;
  }
}

const total = (cost: ReadonlyMap<string, number>): number => [...cost.values()].reduce((sum, one) => sum + one, 0);

function hadBy({ gives, way, needs, times }: Waiting, steps: number, had: ReadonlyMap<string, Had>, there: (id: string) => boolean): Had {
  const takes: string[] = [];
  const cost = new Map<string, number>();
  needs.forEach((set, i) => {
    const costOf = (id: string) => had.get(id)?.cost ?? new Map([[id, 1]]);
    const taken = [...set].filter(there).sort((a, b) => total(costOf(a)) - total(costOf(b)) || (a < b ? -1 : 1))[0]!;
    for (let n = 0; n < times[i]!; n += 1) takes.push(taken);
    for (const [raw, number] of costOf(taken)) cost.set(raw, (cost.get(raw) ?? 0) + (number * times[i]!) / way.count);
  });
  return { way: { ...way, takes }, steps, cost: needs.length ? cost : new Map([[gives, 1]]) };
}

/** Every way to come by an item that the mod knows. */
function waysIn(mod: Makings, accepts: Accepts): Waiting[] {
  const { namespace } = mod.header;
  const ways: Waiting[] = [];
  const add = (gives: string, way: Omit<Way, 'takes'>, takes: readonly string[] = []) => {
    const times = new Map<string, number>();
    for (const one of takes) times.set(one, (times.get(one) ?? 0) + 1);
    ways.push({ gives, way, needs: [...times.keys()].map(accepts), times: [...times.values()] });
  };
  for (const [name, item] of Object.entries(mod.items)) {
    const id = idOf(namespace, name);
    if (item.found) add(id, { how: 'found', count: 1 });
    if (!item.bucket) continue;
    const pool = ownName(namespace, item.bucket.of);
    if (pool === undefined || mod.makings[pool]?.identity.found) add(id, { how: 'dipped', by: item.bucket.of, count: 1 }, [item.bucket.empty]);
  }
  for (const [name, making] of Object.entries(mod.makings)) {
    const id = idOf(namespace, name);
    const best = new Map<string, number>();
    for (const dig of diggingsOf(mod, name, making)) for (const [gives, mean] of dig) best.set(gives, Math.max(best.get(gives) ?? 0, mean));
    if (making.identity.found) for (const gives of yieldsOf(mod, name, making)) add(gives, { how: 'dug', by: id, count: best.get(gives) ?? 1 });
    if ((making.identity.item ?? 'none') !== 'none') for (const [gives, mean] of best) if (gives !== id && mean > 0) add(gives, { how: 'dug', by: id, count: mean }, [id]);
  }
  for (const [name, recipe] of Object.entries(mod.recipes)) {
    const takes = ingredientsOf(recipe);
    if (takes.length) for (const { gives, count } of resultsOf(recipe)) add(gives, { how: 'made', by: name, count }, takes);
  }
  return ways;
}
