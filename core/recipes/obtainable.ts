import { lookUp, idOf, ingredientsOf, ownName, resultsOf } from '../mod/index.ts';
import { diggingsOf, yieldsOf, type Obtaining, type ObtainingPart } from './diggings.ts';
import { givenIn } from './given.ts';
import { isBroughtAlong, type Accepts } from './parts.ts';

/**
 * How an item can come to be: the world has it, it is dug from a block, made by a recipe, or dipped
 * with a bucket.
 */
export interface ItemSource {
  how: 'found' | 'brought along' | 'dug' | 'made' | 'dipped';
  /** The block that is dug or dipped from, or the recipe. */
  by?: string;
  /** What it takes: ids, each as often as it is taken. Of a tag the member that is had soonest. */
  takes: string[];
  /** How many come of it, on average. */
  count: number;
}

/**
 * An item that can be had: the way that takes the fewest steps, how many, and what one of it costs
 * in what the world gives.
 */
export interface Obtainable {
  way: ItemSource;
  steps: number;
  cost: ReadonlyMap<string, number>;
}

/**
 * A way that is not open yet: its ingredients with how often each is taken, and how many of them
 * nothing stands for yet.
 */
interface Waiting {
  gives: string;
  way: Omit<ItemSource, 'takes'>;
  needs: [Ingredient, number][];
  left: number;
}

/**
 * Something that is taken: what waits for it, and of what can be had for it that which costs least.
 */
interface Ingredient {
  waiting: Waiting[];
  best: { id: string; cost: number } | undefined;
}

/**
 * Everything that a player can come to have, from what the world gives through digging, dipping and
 * recipes: in rounds, so that each item is had in the fewest steps; of ways that take as many, the
 * one that costs least, then the one that brings most. What other mods and the stock bring is
 * always there. Linear in the mentions of items (forward chaining, Dowling and Gallier, 1984).
 *
 * @example findObtainable(mod, accepts).get('saltmarsh:tide_lantern')!.cost
 * // Map { 'saltmarsh:raw_brack' → 6, … }
 */
export const findObtainable = (mod: Obtaining, accepts: Accepts): Map<string, Obtainable> =>
  found(mod, accepts, { outright: new Set(), others: Object.entries(mod.makings) });

/**
 * The same as a question of each item. What the world gives outright is not looked at one by one,
 * and after an edit not at all: the work is in the recipes, the items and the other blocks.
 *
 * @example isObtainable(mod, accepts)('saltmarsh:tide_lantern') // true
 */
export function isObtainable(mod: Obtaining, accepts: Accepts): (id: string) => boolean {
  const given = givenIn(mod);
  const had = found(mod, accepts, given);
  return (id) => given.outright.has(id) || had.has(id);
}

/** The blocks from which digging is worked out, and what is there without it. */
interface Digging {
  outright: ReadonlySet<string>;
  others: Iterable<readonly [name: string, making: ObtainingPart]>;
}

function found(mod: Obtaining, accepts: Accepts, digging: Digging): Map<string, Obtainable> {
  const had = new Map<string, Obtainable>();
  const ingredients = new Map<string, Ingredient>();
  const ways = waysIn(mod, digging.others, (name) => {
    let one = ingredients.get(name);
    if (!one) ingredients.set(name, (one = { waiting: [], best: undefined }));
    return one;
  });
  let ready = ways.filter(({ left }) => left === 0);
  const takenFor = new Map<string, Ingredient[]>();
  const offer = (ingredient: Ingredient, id: string, cost: number) => {
    const { best } = ingredient;
    if (best && (best.cost < cost || (best.cost === cost && best.id < id))) return;
    ingredient.best = { id, cost };
    if (!best) for (const way of ingredient.waiting) if ((way.left -= 1) === 0) ready.push(way);
  };
  for (const [name, ingredient] of ingredients)
    for (const id of accepts(name)) {
      const list = takenFor.get(id);
      if (list) list.push(ingredient);
      else takenFor.set(id, [ingredient]);
      const isThere = digging.outright.has(id) || isBroughtAlong(id, mod.header.namespace);
      if (isThere) offer(ingredient, id, 1);
    }
  for (let steps = 0; ready.length; steps += 1) {
    const fresh = new Map<string, { had: Obtainable; total: number }>();
    for (const way of ready) {
      if (had.has(way.gives)) continue;
      const found = hadBy(way, steps, had);
      const cost = total(found.cost);
      const other = fresh.get(way.gives);
      if (
        !other ||
        cost < other.total ||
        (cost === other.total && found.way.count > other.had.way.count)
      )
        fresh.set(way.gives, { had: found, total: cost });
    }
    ready = [];
    for (const [id, one] of fresh) had.set(id, one.had);
    for (const [id, one] of fresh)
      for (const ingredient of takenFor.get(id) ?? []) offer(ingredient, id, one.total);
  }
  return had;
}

const total = (cost: ReadonlyMap<string, number>): number => {
  let sum = 0;
  for (const one of cost.values()) sum += one;
  return sum;
};

function hadBy(
  { gives, way, needs }: Waiting,
  steps: number,
  had: ReadonlyMap<string, Obtainable>,
): Obtainable {
  const takes: string[] = [];
  const cost = new Map<string, number>();
  for (const [{ best }, times] of needs) {
    const { id } = best!;
    for (let n = 0; n < times; n += 1) takes.push(id);
    for (const [raw, number] of had.get(id)?.cost ?? [[id, 1] as const])
      cost.set(raw, (cost.get(raw) ?? 0) + (number * times) / way.count);
  }
  return { way: { ...way, takes }, steps, cost: needs.length ? cost : new Map([[gives, 1]]) };
}

/** Every way to come by an item that the mod knows. */
function waysIn(
  mod: Obtaining,
  others: Digging['others'],
  ingredientOf: (name: string) => Ingredient,
): Waiting[] {
  const { namespace } = mod.header;
  const ways: Waiting[] = [];
  const add = (gives: string, way: Omit<ItemSource, 'takes'>, takes: readonly string[] = []) => {
    const times = new Map<string, number>();
    for (const one of takes) times.set(one, (times.get(one) ?? 0) + 1);
    const waiting: Waiting = {
      gives,
      way,
      needs: [...times].map(([one, many]) => [ingredientOf(one), many]),
      left: times.size,
    };
    for (const [ingredient] of waiting.needs) ingredient.waiting.push(waiting);
    ways.push(waiting);
  };
  for (const [name, item] of Object.entries(mod.items)) {
    const id = idOf(namespace, name);
    if (item.natural) add(id, { how: 'found', count: 1 });
    if (!item.bucket) continue;
    const pool = ownName(namespace, item.bucket.of);
    const isThere =
      pool === undefined ||
      lookUp(mod.makings, pool)?.identity.natural ||
      lookUp(mod.fluids, pool)?.pools?.length;
    if (isThere) add(id, { how: 'dipped', by: item.bucket.of, count: 1 }, [item.bucket.empty]);
  }
  for (const [name, making] of others) {
    const id = idOf(namespace, name);
    if (making.loot === 'itself') {
      if (making.identity.natural) add(id, { how: 'dug', by: id, count: 1 });
      continue;
    }
    const best = new Map<string, number>();
    for (const dig of diggingsOf(mod, name, making))
      for (const [gives, mean] of dig) best.set(gives, Math.max(best.get(gives) ?? 0, mean));
    if (making.identity.natural)
      for (const gives of yieldsOf(mod, name, making))
        add(gives, { how: 'dug', by: id, count: best.get(gives) ?? 1 });
    if ((making.identity.item ?? 'none') !== 'none')
      for (const [gives, mean] of best)
        if (gives !== id && mean > 0) add(gives, { how: 'dug', by: id, count: mean }, [id]);
  }
  for (const [name, recipe] of Object.entries(mod.recipes)) {
    const takes = ingredientsOf(recipe);
    if (takes.length)
      for (const { gives, count } of resultsOf(recipe))
        add(gives, { how: 'made', by: name, count }, takes);
  }
  return ways;
}
