import { itemAt } from '../../../lists/index.ts';
import { toolKinds, type Header, type Mod, type ResolvedBlock } from '../../../mod/index.ts';
import { digTime, type Diggable, type Tool } from '../../../traits/index.ts';
import { engineName, groupName } from './names.ts';
import type { LuaValue } from './lua.ts';

/** The group whose rating says how long a node takes: each rating is one way of being dug. */
export const digGroup = ({ namespace }: Pick<Header, 'namespace'>): string =>
  groupName(`${namespace}:dig`);

const wayOf = ({ hardness, toolKind, leastGrade, gated }: Diggable): string =>
  [hardness, toolKind, leastGrade, gated].join(' ');

/**
 * The ways in which blocks are dug, each once: the rating of a block is the place of its way, from
 * 1. Blocks that nothing digs have none.
 */
export class Ways {
  private readonly ratings = new Map<string, number>();
  readonly ways: readonly Diggable[];

  constructor(blocks: readonly ResolvedBlock[]) {
    const all = new Map<string, Diggable>();
    for (const { traits } of blocks)
      if (traits.hardness !== 'unbreakable') all.set(wayOf(traits), traits);
    const keys = [...all.keys()].sort();
    this.ways = keys.map((key) => all.get(key)!);
    keys.forEach((key, i) => this.ratings.set(key, i + 1));
  }

  /** The rating of a block; undefined where nothing digs it. */
  ratingOf(traits: Diggable): number | undefined {
    return this.ratings.get(wayOf(traits));
  }
}

/**
 * The groups by which tools of other mods dig, and which of our kinds each is like. They are named
 * in the engine's reference as those that all mods know.
 */
const commonGroups: Partial<Record<string, string>> = {
  pick: 'cracky',
  hammer: 'cracky',
  axe: 'choppy',
  spade: 'crumbly',
  sickle: 'snappy',
  shears: 'snappy',
};

/** Hardness in seconds up to which the engine's ratings 3 and 2 are given; above it is 1. */
const softest = 1;
const soft = 4;

/** The rating by which tools of other mods dig a block. */
export function commonRating({ hardness, toolKind }: Diggable): Record<string, number> {
  const group = commonGroups[toolKind];
  if (group === undefined || hardness === 'unbreakable') return {};
  return { [group]: hardness <= softest ? 3 : hardness <= soft ? 2 : 1 };
}

/** What a tool can dig and how long that takes, in the engine's terms: exact for every way. */
export function capabilities(header: Header, ways: Ways, tool: Tool): LuaValue {
  const times = ways.ways.map((way) => digTime(way, tool, header).seconds ?? 0);
  return {
    full_punch_interval: 1,
    groupcaps: { [digGroup(header)]: { times, uses: 0, maxlevel: 0 } },
  };
}

/** A tool of the ladder as an item of the engine. */
export interface LadderTool {
  name: string;
  tool: Exclude<Tool, 'bare hands'>;
  /** The item of the mod that it is; undefined where the mod declares none of that kind and grade. */
  item: string | undefined;
}

/**
 * Every tool of the ladder: the items that the mod declares, and one of its own for each kind and
 * grade of which it declares none.
 */
export function ladderTools(mod: Mod): LadderTool[] {
  const { namespace, tools } = mod.header;
  const declared = Object.entries(mod.items).flatMap(([item, { tool }]): LadderTool[] =>
    tool ? [{ name: engineName(`${namespace}:${item}`), tool, item }] : [],
  );
  const has = (kind: string, grade: number) =>
    declared.some(({ tool }) => tool.kind === kind && tool.grade === grade);
  const others = toolKinds.flatMap((kind) =>
    tools.kinds[kind] === undefined
      ? []
      : tools.grades.flatMap((_, grade): LadderTool[] =>
          has(kind, grade)
            ? []
            : [
                {
                  name: `${namespace}:tool_${kind}_${itemAt(tools.grades, grade).name}`,
                  tool: { kind, grade },
                  item: undefined,
                },
              ],
        ),
  );
  return [...declared, ...others];
}

/** The group by which the runtime knows a tool of the ladder, also one of another mod. */
export const toolGroup = (
  { header }: Pick<Mod, 'header'>,
  { kind, grade }: LadderTool['tool'],
): Record<string, number> => ({ [groupName(`${header.namespace}:tool_${kind}`)]: grade + 1 });
