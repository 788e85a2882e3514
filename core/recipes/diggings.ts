import { itemAt } from '../lists/index.ts';
import { idOf, type Block, type Fluid, type Item, type Mod } from '../mod/index.ts';
import { drops, lootSource, tooManyCases, truthTable, type LootSource } from '../loot/index.ts';
import { reachable } from '../placing/index.ts';
import type { Diggable } from '../traits/index.ts';
import { BitSet, StateSpace } from '../states/index.ts';

/** The parts of a block that say how it comes to be and what becomes of it. */
export type ObtainingPart = Pick<Block, 'identity' | 'loot' | 'states'>;

/** Everything that making things depends on. */
export type Obtaining = Pick<Mod, 'header' | 'recipes' | 'lootTables'> & {
  items: Readonly<Record<string, Pick<Item, 'natural' | 'bucket'>>>;
  makings: Readonly<Record<string, ObtainingPart>>;
  /** A fluid that the world has in pools can be dipped. */
  fluids: Readonly<Record<string, Pick<Fluid, 'pools'>>>;
};

/** One way in which breaking a block can come out: for each item how many there are on average. */
export type Digging = ReadonlyMap<string, number>;

const known = new WeakMap<
  object,
  { tables: Mod['lootTables']; states: ObtainingPart['states']; digs: Digging[] }
>();

/**
 * Whatever can be dug with some tool: whether a block is gated, and by what, is for its traits to
 * say.
 */
const open: Diggable = {
  hardness: 1,
  toolKind: 'none',
  leastGrade: 0,
  gated: false,
};

/**
 * The ways in which breaking a block comes out that differ, each with its means: over every tool,
 * careful or not, a blast, and every state that placing gives. States that only the mod's code
 * brings about are left out: what grows may well be more than was planted.
 */
export function diggingsOf(
  mod: Pick<Obtaining, 'header' | 'lootTables'>,
  name: string,
  { loot, states }: ObtainingPart,
): readonly Digging[] {
  const id = idOf(mod.header.namespace, name);
  if (loot === undefined || loot === 'nothing') return [];
  if (loot === 'itself') return [new Map([[id, 1]])];
  const before = known.get(loot);
  if (before && before.tables === mod.lootTables && before.states === states) return before.digs;
  const space = new StateSpace(states.properties);
  const source: LootSource = lootSource(mod, { space });
  const digs = new Map<string, Digging>();
  if (!tooManyCases(loot.draws)) {
    const truth = truthTable({ traits: open, draws: loot.draws, space }, mod.header, source);
    const placed = new BitSet(truth.space.size);
    const there = reachable(states.placing ?? [], space).states;
    there.forEach((state) => {
      const part = Object.fromEntries(
        truth.properties.map((property) => [
          property.name,
          itemAt(
            itemAt(space.values, space.indexOf(property.name)),
            space.digit(state, space.indexOf(property.name)),
          ),
        ]),
      );
      placed.addAll(truth.space.matching(part));
    });
    placed.forEach((cell) => {
      const found = drops(loot.draws, truth.breakingOf(cell), source);
      const means = new Map<string, number>();
      for (const { give, mean } of found) means.set(give, (means.get(give) ?? 0) + mean);
      if (means.size) digs.set(JSON.stringify([...means].sort()), means);
    });
  }
  const list = [...digs.values()];
  known.set(loot, { tables: mod.lootTables, states, digs: list });
  return list;
}

/** Every item that breaking a block may bring, in whatever state. */
export function yieldsOf(
  mod: Pick<Obtaining, 'header' | 'lootTables'>,
  name: string,
  { loot }: ObtainingPart,
): Set<string> {
  if (loot === undefined || loot === 'nothing') return new Set();
  if (loot === 'itself') return new Set([idOf(mod.header.namespace, name)]);
  const found = new Set<string>();
  const tables = new Set<string>();
  const look = (draws: typeof loot.draws) =>
    draws.forEach(({ lots }) =>
      lots.forEach(({ give, table, share, luck }) => {
        if (share !== undefined && share <= 0 && !(luck && luck > 0)) return;
        if (give !== undefined) found.add(give);
        if (table !== undefined) tables.add(table);
      }),
    );
  look(loot.draws);
  const source = lootSource(mod, { space: new StateSpace([]) });
  for (const table of tables) look([...(source.tableOf(table) ?? [])]);
  return found;
}
