import { heldUnder, itemAt } from '../lists/index.ts';
import { pointer } from '../json/index.ts';
import { conditionsOf, throughLots } from './conditions.ts';
import type { Draw, Lot, LotWhen } from './loot.schema.ts';
import type { Change } from './edit.ts';
import type { Block } from './block.schema.ts';
import type { Mod } from './mod.schema.ts';
import { stockNamed } from './stock.ts';
import { defaultTraits } from './traits.ts';

/** What is done to the tool ladder. Grades are named by their place, 0 first. */
export type LadderAct =
  | { do: 'change'; grade: number; name?: string; pace?: number }
  | { do: 'add'; name: string; pace: number }
  | { do: 'remove'; grade: number }
  | { do: 'move'; grade: number; to: number };

/**
 * The changes that an act on the tool ladder takes: the ladder itself, and every least grade and
 * every lot that asks for a grade, so that each goes on asking for the same tool. What asked for a
 * grade that is removed asks for the one above it, or for the highest left. Throws a RangeError for
 * a grade that there is not, and for removing the last one.
 *
 * @example changeLadder(mod, { do: 'move', grade: 2, to: 0 })
 * // steel first; blocks that asked for steel still do
 */
export function changeLadder(mod: Mod, act: LadderAct): Change[] {
  const { grades } = mod.header.tools;
  const ladder = (after: typeof grades): Change => ({
    path: '/header/tools/grades',
    before: grades,
    after,
  });
  if (act.do === 'add') return [ladder([...grades, { name: act.name, pace: act.pace }])];
  if (!grades[act.grade]) throw new RangeError(`There is no grade ${act.grade} on the ladder.`);
  if (act.do === 'change')
    return [
      ladder(
        grades.with(act.grade, {
          name: act.name ?? itemAt(grades, act.grade).name,
          pace: act.pace ?? itemAt(grades, act.grade).pace,
        }),
      ),
    ];
  if (act.do === 'remove') {
    if (grades.length === 1) throw new RangeError('The ladder needs one grade at least.');
    const after = grades.filter((_, index) => index !== act.grade);
    return [
      ladder(after),
      ...followers(mod, (grade) =>
        grade > act.grade ? grade - 1 : Math.min(grade, after.length - 1),
      ),
    ];
  }
  const order = grades.map((_, index) => index).filter((index) => index !== act.grade);
  order.splice(Math.max(0, Math.min(order.length, act.to)), 0, act.grade);
  return [
    ladder(order.map((index) => itemAt(grades, index))),
    ...followers(mod, (grade) => (order.includes(grade) ? order.indexOf(grade) : grade)),
  ];
}

/** The grade that a block asks for, itself or as its material does; undefined where no tool matters. */
function askedGrade({ traits, identity }: Block): number | undefined {
  const given = stockNamed(identity.stock)?.traits ?? defaultTraits;
  const kind = traits.toolKind ?? given.toolKind;
  return traits.leastGrade ?? (kind === 'none' ? undefined : given.leastGrade);
}

/** Everything that asks for a grade, asking for another one. */
function followers(mod: Mod, become: (grade: number) => number): Change[] {
  return Object.entries(mod.blocks)
    .flatMap(([name, block]): Change[] => {
      const asked = askedGrade(block);
      const changes: Change[] = [];
      // What asks as its material does says so itself from now on, where that would be another tool.
      if (asked !== undefined && become(asked) !== asked)
        changes.push({
          path: pointer(['blocks', name, 'traits', 'leastGrade']),
          before: block.traits.leastGrade,
          after: become(asked),
        });
      if (typeof block.loot === 'object')
        changes.push(...drawsWith(block.loot.draws, ['blocks', name, 'loot', 'draws'], become));
      return changes;
    })
    .concat(
      Object.entries(mod.lootTables).flatMap(([name, { draws }]) =>
        drawsWith(draws, ['lootTables', name, 'draws'], become),
      ),
    )
    .concat(
      Object.entries(mod.items).flatMap(([name, { tool }]): Change[] =>
        tool && become(tool.grade) !== tool.grade
          ? [
              {
                path: pointer(['items', name, 'tool', 'grade']),
                before: tool.grade,
                after: become(tool.grade),
              },
            ]
          : [],
      ),
    );
}

/** The change of some draws whose lots ask for a grade. */
function drawsWith(draws: Draw[], path: string[], become: (grade: number) => number): Change[] {
  const regraded = (when: LotWhen): LotWhen => ({
    ...when,
    ...(when.grade === undefined ? {} : { grade: become(when.grade) }),
    ...(when.all ? { all: when.all.map(regraded) } : {}),
    ...(when.any ? { any: when.any.map(regraded) } : {}),
    ...(when.not ? { not: regraded(when.not) } : {}),
  });
  if (
    !conditionsOf(draws).some(
      ({ when: { grade } }) => grade !== undefined && become(grade) !== grade,
    )
  )
    return [];
  return [
    {
      path: pointer(path),
      before: draws,
      after: throughLots(draws, (lot: Lot) =>
        lot.when ? { ...lot, when: regraded(lot.when) } : lot,
      ),
    },
  ];
}

/** Who asks for a grade, or is of it. */
export interface GradeUsers {
  blocks: string[];
  lootTables: string[];
  items: string[];
}

/**
 * Who asks for a grade: blocks by their least grade, their own or that of their material, or in a
 * lot, loot tables in a lot, and the tools that are of it.
 *
 * @example gradeUsers(mod, 1) // { blocks: ['siltium_seam'], lootTables: [], items: ['brack_pick'] }
 */
export function gradeUsers(
  { blocks, lootTables, items }: Pick<Mod, 'blocks' | 'lootTables' | 'items'>,
  grade: number,
): GradeUsers {
  const asks = (draws: readonly Draw[]) =>
    conditionsOf(draws).some(({ when }) => when.grade === grade);
  const named = <E>(entries: Record<string, E>, isUser: (entry: E) => boolean) =>
    Object.keys(entries).filter((name) => isUser(heldUnder(entries, name)));
  return {
    blocks: named(
      blocks,
      (block) =>
        askedGrade(block) === grade || (typeof block.loot === 'object' && asks(block.loot.draws)),
    ),
    lootTables: named(lootTables, ({ draws }) => asks(draws)),
    items: named(items, ({ tool }) => tool?.grade === grade),
  };
}

/** How many blocks ask for each grade, by their least grade or in a lot. */
export const gradeUses = (mod: Mod): number[] =>
  mod.header.tools.grades.map((_, grade) => gradeUsers(mod, grade).blocks.length);
