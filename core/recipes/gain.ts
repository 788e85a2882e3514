import { solve, type Coefficients } from 'yalps';
import { idOf, ingredientsOf, resultsOf } from '../mod/index.ts';
import { diggingsOf, type Obtaining } from './diggings.ts';
import { givenIn } from './given.ts';
import type { Accepts } from './parts.ts';

/**
 * A circle that makes something from nothing: what goes round, by which recipes and blocks, and how
 * often each in one round.
 */
export interface Gain {
  items: string[];
  steps: { recipe?: string; dug?: string; times: number }[];
  more: string[];
}

interface Activity {
  recipe?: string;
  dug?: string;
  takes: Map<string, number>;
  gives: Map<string, number>;
}

const tiny = 1e-7;

/**
 * The circles of recipes and digging after which there is more than before. Items that lead to each
 * other form groups (strongly connected components); a group gains when its activities can be
 * carried out so often each that nothing of the group becomes less
 * and something becomes more: a linear programme (Dantzig, Linear Programming and Extensions,
 * 1963). What is dug counts by its mean.
 *
 * @example gains(mod, accepts) // ingot → 9 nuggets, 8 nuggets → ingot
 */
export function gains(mod: Obtaining, accepts: Accepts): Gain[] {
  const activities = activitiesIn(mod, accepts);
  const groups = groupsOf(activities);
  const byGroup = new Map<number, Activity[]>();
  for (const one of activities) {
    const [first, ...rest] = [...one.takes.keys()].map((id) => groups.get(id));
    if (
      first === undefined ||
      rest.some((group) => group !== first) ||
      ![...one.gives.keys()].some((id) => groups.get(id) === first)
    )
      continue;
    const list = byGroup.get(first);
    if (list) list.push(one);
    else byGroup.set(first, [one]);
  }
  return [...byGroup].flatMap(([group, list]) => {
    // A block that only drops itself goes round and gains nothing.
    if (list.every(({ takes, gives }) => sameMap(takes, gives))) return [];
    return gainOf(list, (id) => groups.get(id) === group) ?? [];
  });
}

const sameMap = (a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): boolean =>
  a.size === b.size && [...a].every(([id, number]) => b.get(id) === number);

function gainOf(list: readonly Activity[], inside: (id: string) => boolean): Gain | undefined {
  const net = list.map(({ takes, gives }) => {
    const sum = new Map(gives);
    for (const [id, number] of takes) sum.set(id, (sum.get(id) ?? 0) - number);
    return sum;
  });
  const items = [...new Set(net.flatMap((one) => [...one.keys()]))];
  const { status, variables } = solve({
    direction: 'maximize',
    objective: 'more',
    constraints: {
      often: { max: 1 },
      ...Object.fromEntries(items.filter(inside).map((id) => [`net ${id}`, { min: 0 }])),
    },
    variables: net.map((one, i): [string, Coefficients] => [
      String(i),
      {
        often: 1,
        more: [...one.values()].reduce((sum, number) => sum + number, 0),
        ...Object.fromEntries(
          [...one].filter(([id]) => inside(id)).map(([id, number]) => [`net ${id}`, number]),
        ),
      },
    ]),
  });
  if (status !== 'optimal') return undefined;
  const times = new Map(variables.map(([key, often]) => [Number(key), often]));
  const after = (id: string) =>
    net.reduce((sum, one, i) => sum + (one.get(id) ?? 0) * (times.get(i) ?? 0), 0);
  const more = items.filter((id) => after(id) > tiny);
  if (!more.length) return undefined;
  const used = list.flatMap((one, i) =>
    (times.get(i) ?? 0) > tiny && (one.recipe ?? one.dug) !== undefined
      ? [{ recipe: one.recipe, dug: one.dug, times: times.get(i)! }]
      : [],
  );
  const least = Math.min(...used.map((one) => one.times));
  return {
    items: items.filter((id) => inside(id) && !id.startsWith('#')).sort(),
    more: more.filter((id) => !id.startsWith('#')).sort(),
    steps: used.map((one) => ({ ...one, times: Number((one.times / least).toFixed(3)) })),
  };
}

const counted = (ids: readonly string[]): Map<string, number> => {
  const map = new Map<string, number>();
  for (const id of ids) map.set(id, (map.get(id) ?? 0) + 1);
  return map;
};

function activitiesIn(mod: Obtaining, accepts: Accepts): Activity[] {
  const list: Activity[] = [];
  const tags = new Set<string>();
  for (const [name, recipe] of Object.entries(mod.recipes)) {
    const takes = counted(ingredientsOf(recipe));
    if (!takes.size) continue;
    for (const id of takes.keys()) if (id.startsWith('#')) tags.add(id);
    for (const { gives, count } of resultsOf(recipe))
      list.push({ recipe: name, takes, gives: new Map([[gives, count]]) });
  }
  // Whatever is in a tag can be taken for it.
  for (const tag of tags)
    for (const id of accepts(tag))
      if (id !== tag) list.push({ takes: new Map([[id, 1]]), gives: new Map([[tag, 1]]) });
  for (const [name, making] of givenIn(mod).others) {
    // What only drops itself goes round and gains nothing, whatever else there is.
    if (making.loot === 'itself' || (making.identity.item ?? 'none') === 'none') continue;
    const id = idOf(mod.header.namespace, name);
    for (const gives of diggingsOf(mod, name, making))
      list.push({ dug: name, takes: new Map([[id, 1]]), gives: new Map(gives) });
  }
  return list;
}

/**
 * The number of the group of each item: items of one group lead to each other (Kosaraju and Sharir,
 * 1981; without recursion).
 */
function groupsOf(activities: readonly Activity[]): Map<string, number> {
  const forth = new Map<string, string[]>();
  const back = new Map<string, string[]>();
  const link = (map: Map<string, string[]>, a: string, b: string) => {
    const list = map.get(a);
    if (list) list.push(b);
    else map.set(a, [b]);
  };
  const ids = new Set<string>();
  for (const { takes, gives } of activities)
    for (const a of takes.keys())
      for (const b of gives.keys()) {
        ids.add(a).add(b);
        link(forth, a, b);
        link(back, b, a);
      }
  const order: string[] = [];
  const seen = new Set<string>();
  for (const id of ids) {
    const stack: [string, number][] = [[id, 0]];
    if (seen.has(id)) continue;
    seen.add(id);
    while (stack.length) {
      const top = stack.at(-1)!;
      const next = forth.get(top[0])?.[top[1]++];
      if (next === undefined) order.push(stack.pop()![0]);
      else if (!seen.has(next)) {
        seen.add(next);
        stack.push([next, 0]);
      }
    }
  }
  const groups = new Map<string, number>();
  let number = 0;
  for (const id of order.reverse()) {
    if (groups.has(id)) continue;
    const stack = [id];
    groups.set(id, number);
    for (let one = stack.pop(); one !== undefined; one = stack.pop())
      for (const other of back.get(one) ?? [])
        if (!groups.has(other)) {
          groups.set(other, number);
          stack.push(other);
        }
    number += 1;
  }
  return groups;
}
