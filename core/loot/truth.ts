import { itemAt } from '../lists/index.ts';
import {
  conditionsOf,
  propertiesAsked,
  toolKinds,
  type Draw,
  type Header,
  type ResolvedBlock,
} from '../mod/index.ts';
import { StateSpace, type Property, type State } from '../states/index.ts';
import { toolName, toolsOf, type Tool, type Diggable } from '../traits/index.ts';
import type { Breaking } from './conditions.ts';
import { broken, tablesIn, type Broken, type LootSource } from './odds.ts';

/** More cells than this are not laid out. */
export const mostCells = 4096;

/** One way of breaking: with a tool, or by a blast. */
export interface BreakingWay {
  name: string;
  tool: Tool;
  blast: boolean;
}

/**
 * Every way of breaking a block by every state that makes a difference to its drops. A cell is a
 * state of `space`, whose first two properties are the way and whether it is careful; a blast is
 * never careful, so its two cells are one.
 */
export interface TruthTable {
  ways: BreakingWay[];
  /** The properties that the columns tell apart. */
  properties: Property[];
  space: StateSpace;
  breakingOf: (cell: number) => Breaking;
  /** What drops in each cell. */
  cells: Broken[];
}

/** Names that no property of a block can have. */
export const wayName = ' way';
export const carefulName = ' careful';

/** All draws that a block's breaking may come to: its own, and those of the tables they lead to. */
export const drawsInReach = (draws: readonly Draw[], source: LootSource): Draw[] => [
  ...draws,
  ...tablesIn(draws, source).flatMap((id) => source.tableOf(id) ?? []),
];

/**
 * The ways that make a difference to a block: bare hands, its own kind of tool at every grade, the
 * kinds that its loot asks for, a blast. Where a grade is asked for whatever the tool, one of the
 * other kinds stands for them all: a condition may leave out every kind that is named.
 */
export function waysOf(
  block: Pick<ResolvedBlock, 'draws'> & { traits: Diggable },
  header: Pick<Header, 'tools'>,
  source: LootSource,
): BreakingWay[] {
  const conditions = conditionsOf(drawsInReach(block.draws, source)).map(({ when }) => when);
  const asked = conditions.flatMap(({ tool }) => tool ?? []);
  const named = new Set([block.traits.toolKind, ...asked]);
  const isGradeAlone = conditions.some(({ grade, tool }) => grade !== undefined && !tool);
  const other = toolKinds.find((kind) => header.tools.kinds[kind] && !named.has(kind));
  const needsOther = isGradeAlone && (asked.length > 0 || block.traits.toolKind === 'none');
  const kinds = [...named, ...(needsOther && other ? [other] : [])];
  const tools: Tool[] = ['bare hands', ...kinds.flatMap((kind) => toolsOf(header, kind).slice(1))];
  return [
    ...tools.map((tool) => ({ name: toolName(tool, header), tool, blast: false })),
    { name: 'a blast', tool: 'bare hands', blast: true },
  ];
}

/**
 * The truth table of a block's drops. Its columns are the properties that its loot asks for or
 * carries and those that are named; where that makes too many cells, the last of these are left
 * out.
 *
 * @example truthTable(saltCrust, header, source).cells.length // 5 ways × usually and careful
 */
export function truthTable(
  block: Pick<ResolvedBlock, 'draws' | 'space'> & { traits: Diggable },
  header: Pick<Header, 'tools'>,
  source: LootSource,
  named: readonly string[] = [],
  luck = 0,
): TruthTable {
  const ways = waysOf(block, header, source);
  const asked = propertiesAsked(drawsInReach(block.draws, source));
  let size = ways.length * 2;
  const properties = block.space.properties.filter(({ name }, index) => {
    const values = block.space.values[index]?.length ?? Infinity;
    if (!(asked.has(name) || named.includes(name)) || size * values > mostCells) return false;
    size *= values;
    return true;
  });
  const space = new StateSpace([
    {
      name: wayName,
      kind: 'choice',
      values: ways.map((way) => way.name),
      default: itemAt(ways, 0).name,
    },
    { name: carefulName, kind: 'toggle', default: false },
    ...properties,
  ]);
  const breakingOf = (cell: number): Breaking => {
    const { tool, blast } = itemAt(ways, space.digit(cell, 0));
    const state: State = Object.fromEntries(
      properties.map((property, i) => [
        property.name,
        itemAt(itemAt(space.values, i + 2), space.digit(cell, i + 2)),
      ]),
    );
    return {
      tool,
      blast,
      careful: space.digit(cell, 1) === 1 && !blast,
      state: block.space.encode(state),
      luck,
    };
  };
  const cells = Array.from({ length: space.size }, (_, cell) =>
    broken(block, breakingOf(cell), source),
  );
  return { ways, properties, space, breakingOf, cells };
}
