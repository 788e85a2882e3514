import { itemAt } from '../../../../lists/index.ts';
import { broken, distribution, lootSource, type Drop } from '../../../../loot/index.ts';
import { conditionsOf, propertiesAsked, type Mod } from '../../../../mod/index.ts';
import { toolName, type Tool } from '../../../../traits/index.ts';
import { ladderTools } from '../../write/digging.ts';
import { engineName } from '../../write/names.ts';
import { inWords, type Apart, type Check } from '../check.ts';
import { stateWords, triedBlocks, type TriedBlock } from '../tried.ts';

/** So many times each block is dug in each way, twice over. */
export const diggings = 10_000;
/** Outside so many standard deviations lies one of a thousand fair results. */
const deviations = 3.2905;

/** A way of digging: with which item of the engine, and what that is to us. */
interface Way {
  item: string;
  tool: Tool;
  careful: boolean;
}

/** The ways that can matter to a block: bare hands, its kind, what its loot asks for, another. */
function waysFor(mod: Mod, { block }: TriedBlock): Way[] {
  const asked = conditionsOf(drawsInReach(mod, block.draws));
  const kinds = new Set<string>([
    block.traits.toolKind,
    ...asked.flatMap(({ when }) => when.tool ?? []),
  ]);
  const tools = ladderTools(mod);
  const other = tools.find(({ tool }) => !kinds.has(tool.kind));
  const plain: Way[] = [
    { item: '', tool: 'bare hands', careful: false },
    ...[...tools.filter(({ tool }) => kinds.has(tool.kind)), ...(other ? [other] : [])].map(
      ({ name, tool }): Way => ({ item: name, tool, careful: false }),
    ),
  ];
  if (!asked.some(({ when }) => when.careful !== undefined)) return plain;
  return [
    ...plain,
    ...plain.map((way) => ({ ...way, item: carefulItem(way.tool), careful: true })),
  ];
}

/** An item of the probe with which one digs carefully. */
const carefulItem = (tool: Tool): string =>
  tool === 'bare hands'
    ? 'obrank_probe:careful'
    : `obrank_probe:careful_${tool.kind}_${tool.grade}`;

/** The groups of the probe's items: careful, and tools of the ladder. */
export function probeItems({ header }: Mod, tools: readonly { tool: Tool }[]) {
  const groups = tools.map(({ tool }): [string, Record<string, number>] =>
    tool === 'bare hands'
      ? ['careful', { careful: 1 }]
      : [
          `careful_${tool.kind}_${tool.grade}`,
          { careful: 1, [`${header.namespace}_tool_${tool.kind}`]: tool.grade + 1 },
        ],
  );
  return Object.fromEntries([['careful', { careful: 1 }] as const, ...groups]);
}

const drawsInReach = (mod: Mod, draws: TriedBlock['block']['draws']) => [
  ...draws,
  ...Object.values(mod.lootTables).flatMap((table) => table.draws),
];

/** The states whose drops may differ: each value of what loot asks for, the rest as usual. */
function statesFor({ block }: TriedBlock): number[] {
  const { space } = block;
  const states = [...propertiesAsked(block.draws)].flatMap((name) => {
    const at = space.indexOf(name);
    return at < 0
      ? []
      : itemAt(space.values, at).map((_, digit) => space.withDigit(space.defaultState, at, digit));
  });
  return [...new Set([space.defaultState, ...states])];
}

/** What drops, again and again, in each way that can matter. */
export function dropChecks(mod: Mod, times = diggings): Check[] {
  return triedBlocks(mod).flatMap((tried) => {
    const { block } = tried;
    const source = lootSource(mod, block);
    const keeps = [
      ...new Set(block.draws.flatMap(({ lots }) => lots.flatMap((lot) => lot.keeps ?? []))),
    ];
    if (block.traits.hardness === 'unbreakable') return [];
    return statesFor(tried).flatMap((state) =>
      waysFor(mod, tried).flatMap(({ item, tool, careful }): Check[] => {
        const breaking = { tool, careful, state };
        const exact = broken(block, breaking, source);
        if (exact === 'too many cases' || exact === 'cannot be dug') return [];
        const ours = exact === 'gated' ? [] : exact;
        const { node, byte } = itemAt(tried.codes, state);
        const spreadOf = ({ give }: Drop) => distribution(block.draws, give, breaking, source);
        return [
          {
            about:
              `${stateWords(tried, state)}: drops of ${times.toLocaleString('en')} diggings with ` +
              `${toolName(tool, mod.header)}${careful ? ', careful' : ''}`,
            of: { kind: 'block', name: block.name },
            facet: 'loot',
            ask: {
              kind: 'drops',
              node: itemAt(tried.names, node),
              byte,
              tool: item,
              times,
              keeps,
            },
            judge: (answer) =>
              judgeDrops(answer, {
                ours: ours.map((drop) => ({ ...drop, key: keyOf(tried, state, drop) })),
                spreadOf,
                times,
              }),
          },
        ];
      }),
    );
  });
}

const keyOf = ({ block }: TriedBlock, state: number, { give, keeps }: Drop): string => {
  const values = block.space.decode(state);
  return [engineName(give), ...keeps.map((name) => `${name}=${String(values[name])}`)].join(' ');
};

interface Expected {
  ours: readonly (Drop & { key: string })[];
  spreadOf: (drop: Drop) => number[] | undefined;
  times: number;
}

/** An empty table of the engine comes as null. */
interface Run {
  tally: Record<string, number> | null;
  sums: Record<string, number> | null;
}

/** A difference is one that both of two runs show: chance alone does that once in a million. */
function judgeDrops(answer: unknown, expected: Expected): Apart | undefined {
  if (!Array.isArray(answer)) return { ours: 'drops', engine: inWords(answer) };
  const [first, second] = (answer as Run[]).map((run) => flawOf(run, expected));
  return first && second ? first : undefined;
}

function flawOf(run: Run, { ours, spreadOf, times }: Expected): Apart | undefined {
  const [tally, sums] = [run.tally ?? {}, run.sums ?? {}];
  const known = new Set(ours.map(({ key }) => key));
  const stray = Object.keys(tally).find((key) => !known.has(key));
  if (stray !== undefined)
    return { ours: `never ${stray}`, engine: `${tally[stray]} times in ${times}` };
  for (const drop of ours) {
    const [seen, sum] = [tally[drop.key] ?? 0, sums[drop.key] ?? 0];
    const share = drop.chance;
    const chanceIsFar = isFar(seen / times, share, share * (1 - share), times);
    const spread = spreadOf(drop);
    const variance = spread
      ? spread.reduce((total, chance, n) => total + chance * (n - drop.mean) ** 2, 0)
      : undefined;
    const meanIsFar = variance !== undefined && isFar(sum / times, drop.mean, variance, times);
    if (chanceIsFar || meanIsFar)
      return {
        ours: `${drop.key}: ${(share * 100).toFixed(2)} %, ${drop.mean.toFixed(3)} on average`,
        engine: `${((seen / times) * 100).toFixed(2)} %, ${(sum / times).toFixed(3)} on average`,
      };
  }
  return undefined;
}

/** True where a mean of so many lies outside the 99.9 % interval about what is expected. */
const isFar = (found: number, expected: number, variance: number, times: number): boolean =>
  Math.abs(found - expected) > deviations * Math.sqrt(Math.max(0, variance) / times) + 1 / times;
