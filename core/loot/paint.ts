import { itemAt } from '../lists/index.ts';
import {
  sameData,
  type Count,
  type Draw,
  type Loot,
  type Lot,
  type LotWhen,
  type ResolvedBlock,
} from '../mod/index.ts';
import { conditionsIn } from '../mod/index.ts';
import { fewestRows, type BitSet, type Rows, type When } from '../states/index.ts';
import { chanceOf } from './conditions.ts';
import { spanOf } from './counts.ts';
import { lotChances, type LootSource } from './odds.ts';
import { carefulName, wayName, type TruthTable, type BreakingWay } from './truth.ts';

/** What is painted into cells: nothing (a blank), or an item. */
export type Outcome = Pick<Lot, 'give' | 'count' | 'keeps' | 'table'>;

/**
 * The loot after some cells of the truth table were painted with an outcome; in every other cell
 * there drops what dropped before. A table of plain cases (one draw, nothing by share or chance) is
 * put anew in the fewest lots that can be found; any other gets lots in front that take the painted
 * cells, and loses those that can no longer be drawn.
 *
 * @example paintLoot(crust, truth, everyCarefulCell, { give: 'saltmarsh:salt_crust' }, source)
 */
export function paintLoot(
  block: Pick<ResolvedBlock, 'draws' | 'id'>,
  truth: TruthTable,
  painted: BitSet,
  outcome: Outcome,
  source: LootSource,
): Loot {
  const draws = isPlain(block.draws)
    ? plainly(block.draws, truth, painted, outcome, source)
    : inFront(block.draws, truth, painted, outcome, source);
  return shortLoot(draws, block.id);
}

/** The short way to say a loot, where there is one. */
export function shortLoot(draws: Draw[], id: string): Loot {
  const left = draws.filter((draw) =>
    draw.lots.some((lot) => lot.give !== undefined || lot.table !== undefined),
  );
  if (!left.length) return 'nothing';
  const [only] = itemAt(left, 0).lots;
  const alone =
    left.length === 1 &&
    itemAt(left, 0).lots.length === 1 &&
    only!.give === id &&
    !only!.when &&
    !only!.keeps &&
    only!.share === undefined;
  return alone &&
    sameData(spanOf(itemAt(left, 0).times), [1, 1]) &&
    sameData(spanOf(only!.count), [1, 1]) &&
    typeof only!.count !== 'object'
    ? 'itself'
    : { draws: left };
}

/**
 * True for one draw in which the first lot whose condition holds is sure: rows of the truth table.
 */
const isPlain = (draws: readonly Draw[]): boolean =>
  draws.length <= 1 &&
  draws.every(
    ({ times, lots }) =>
      times === 1 &&
      lots.every(
        ({ share, when }) =>
          share === undefined &&
          conditionsIn(when).every(({ when: { chance } }) => chance === undefined),
      ),
  );

function plainly(
  draws: readonly Draw[],
  truth: TruthTable,
  painted: BitSet,
  outcome: Outcome,
  { space }: LootSource,
): Draw[] {
  const lots = draws[0]?.lots ?? [];
  const outcomes = truth.cells.map((_, cell): Outcome => {
    if (painted.has(cell)) return tidy(outcome);
    const lot = lots.find(({ when }) => chanceOf(when, truth.breakingOf(cell), space) === 1);
    return lot ? tidy(lot) : {};
  });
  // Blanks that keep later lots away, or lots that are not there at all: whichever says it in
  // fewer.
  const shielded = lotsOf(fewestRows(outcomes, truth.space).rows, truth);
  const bare = lotsOf(
    fewestRows(
      outcomes.map((one) => (isBlank(one) ? undefined : one)),
      truth.space,
    ).rows,
    truth,
  );
  const next = bare.length <= shielded.length ? bare : shielded;
  return [{ times: 1, lots: next }];
}

const isBlank = ({ give, table }: Outcome): boolean => give === undefined && table === undefined;

function lotsOf(rows: Rows<Outcome>, truth: TruthTable): Lot[] {
  const lots = rows.map(({ when, value }) => lotOf(value, when, truth));
  // What comes last and brings nothing is what happens anyway.
  while (lots.length && isBlank(lots.at(-1)!)) lots.pop();
  return lots;
}

function inFront(
  draws: readonly Draw[],
  truth: TruthTable,
  painted: BitSet,
  outcome: Outcome,
  { space }: LootSource,
): Draw[] {
  const rows = fewestRows(
    truth.cells.map((_, cell) => (painted.has(cell) ? true : undefined)),
    truth.space,
  ).rows;
  return draws.flatMap((draw, d) => {
    const what = d === 0 ? tidy(outcome) : {};
    const taking = rows.map(({ when }) => lotOf(what, when, truth));
    // A draw that is made several times must bring the painted outcome once: it comes in a draw of
    // its own.
    const own: Draw[] =
      d === 0 && !sameData(spanOf(draw.times), [1, 1]) ? [{ times: 1, lots: taking }] : [];
    const lots: Lot[] = [
      ...(own.length ? taking.map(({ when }): Lot => ({ when })) : taking),
      ...draw.lots,
    ];
    const chances = truth.cells.map((_, cell) =>
      lotChances({ times: 1, lots }, truth.breakingOf(cell), space),
    );
    const left = lots.filter(
      (lot, i) => lot.luck !== undefined || chances.some((one) => itemAt(one, i) > 0),
    );
    while (left.length && left.at(-1)!.share === undefined && isBlank(left.at(-1)!)) left.pop();
    return [...own, { ...draw, lots: left }];
  });
}

const tidy = ({ give, count, keeps, table }: Outcome): Outcome =>
  JSON.parse(
    JSON.stringify({ give, table, count: count === 1 ? undefined : count, keeps }),
  ) as Outcome;

/** The lot that a row of the truth table becomes. */
function lotOf(outcome: Outcome, when: When | undefined, truth: TruthTable): Lot {
  const asked = lotWhen(when, truth);
  return asked ? { ...outcome, when: asked } : { ...outcome };
}

const listOf = (wanted: When[string]) => (Array.isArray(wanted) ? wanted : [wanted]);

/** A condition over the cells as the condition of a lot. */
export function lotWhen(
  when: When | undefined,
  { ways }: Pick<TruthTable, 'ways'>,
): LotWhen | undefined {
  if (!when) return undefined;
  const { [wayName]: way, [carefulName]: careful, ...state } = when;
  return {
    ...(way === undefined ? {} : wayWhen(new Set(listOf(way) as string[]), ways)),
    ...(careful === undefined ? {} : { careful: careful as boolean }),
    ...(Object.keys(state).length ? { state } : {}),
  };
}

/** The shortest condition found that holds for some ways and not for the others. */
function wayWhen(wanted: ReadonlySet<string>, ways: readonly BreakingWay[]): LotWhen {
  const pieces = piecesOf(
    ways.filter(({ name }) => wanted.has(name)),
    ways,
  );
  if (pieces.length === 1) return itemAt(pieces, 0);
  const others = piecesOf(
    ways.filter(({ name }) => !wanted.has(name)),
    ways,
  );
  if (others.length === 1)
    return itemAt(others, 0).blast === true ? { blast: false } : { not: itemAt(others, 0) };
  return others.length < pieces.length ? { not: { any: others } } : { any: pieces };
}

/** Conditions that together hold for exactly these ways. */
function piecesOf(chosen: readonly BreakingWay[], ways: readonly BreakingWay[]): LotWhen[] {
  const kinds = [
    ...new Set(ways.flatMap(({ tool }) => (tool === 'bare hands' ? [] : [tool.kind]))),
  ];
  const tools = kinds.flatMap((kind): LotWhen[] => {
    const has = ways.flatMap((way) =>
      typeof way.tool === 'object' && way.tool.kind === kind
        ? [{ grade: way.tool.grade, in: chosen.includes(way) }]
        : [],
    );
    const from = has.filter((one, i) => one.in && !has[i - 1]?.in);
    return from.map(({ grade }) => {
      const until = has.find((one) => one.grade > grade && !one.in);
      return {
        tool: kind,
        ...(grade ? { grade } : {}),
        ...(until ? { not: { grade: until.grade } } : {}),
      };
    });
  });
  const bare: LotWhen[] = chosen.some(({ tool, blast }) => tool === 'bare hands' && !blast)
    ? [
        {
          blast: false,
          ...(kinds.length
            ? {
                not:
                  kinds.length > 1
                    ? { any: kinds.map((kind) => ({ tool: kind })) }
                    : { tool: itemAt(kinds, 0) },
              }
            : {}),
        },
      ]
    : [];
  return [...bare, ...tools, ...(chosen.some(({ blast }) => blast) ? [{ blast: true }] : [])];
}

/**
 * The one-stroke answers: the block drops itself; an item, and itself when careful; nothing, on
 * purpose.
 */
export const quickLoot = {
  itself: (): Loot => 'itself',
  nothing: (): Loot => 'nothing',
  item: (give: string, id: string, count: Count = 1): Loot => ({
    draws: [
      {
        times: 1,
        lots: [
          { give: id, when: { careful: true } },
          { give, ...(count === 1 ? {} : { count }) },
        ],
      },
    ],
  }),
};
