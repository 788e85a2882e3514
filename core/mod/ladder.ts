import { pointer } from '../json/index.ts';
import type { Block, Lot } from './block.schema.ts';
import type { Change } from './edit.ts';
import type { Mod } from './mod.schema.ts';

/** What is done to the tool ladder. Grades are named by their place, 0 first. */
export type LadderAct =
  | { do: 'change'; grade: number; name?: string; pace?: number }
  | { do: 'add'; name: string; pace: number }
  | { do: 'remove'; grade: number }
  | { do: 'move'; grade: number; to: number };

/**
 * The changes that an act on the tool ladder takes: the ladder itself, and every least grade and every lot that asks for a grade, so
 * that each goes on asking for the same tool. What asked for a grade that is removed asks for the one above it, or for the highest left.
 * Throws a RangeError for a grade that there is not, and for removing the last one.
 *
 * @example changeLadder(mod, { do: 'move', grade: 2, to: 0 }) // steel first; blocks that asked for steel still do
 */
export function changeLadder(mod: Mod, act: LadderAct): Change[] {
  const { grades } = mod.header.tools;
  const ladder = (after: typeof grades): Change => ({ path: '/header/tools/grades', before: grades, after });
  if (act.do === 'add') return [ladder([...grades, { name: act.name, pace: act.pace }])];
  if (!grades[act.grade]) throw new RangeError(`There is no grade ${act.grade} on the ladder.`);
  if (act.do === 'change') return [ladder(grades.with(act.grade, { name: act.name ?? grades[act.grade]!.name, pace: act.pace ?? grades[act.grade]!.pace }))];
  if (act.do === 'remove') {
    if (grades.length === 1) throw new RangeError('The ladder needs one grade at least.');
    const after = grades.filter((_, at) => at !== act.grade);
    return [ladder(after), ...followers(mod, (grade) => (grade > act.grade ? grade - 1 : Math.min(grade, after.length - 1)))];
  }
  const order = grades.map((_, at) => at).filter((at) => at !== act.grade);
  order.splice(Math.max(0, Math.min(order.length, act.to)), 0, act.grade);
  return [ladder(order.map((at) => grades[at]!)), ...followers(mod, (grade) => (order.includes(grade) ? order.indexOf(grade) : grade))];
}

/** Everything that asks for a grade, asking for another one. */
function followers(mod: Mod, become: (grade: number) => number): Change[] {
  return Object.entries(mod.blocks).flatMap(([name, block]): Change[] => {
    const { leastGrade } = block.traits;
    const changes: Change[] = [];
    if (leastGrade !== undefined && become(leastGrade) !== leastGrade) changes.push({ path: pointer(['blocks', name, 'traits', 'leastGrade']), before: leastGrade, after: become(leastGrade) });
    const loot = lootWith(block.loot, become);
    if (loot !== block.loot) changes.push({ path: pointer(['blocks', name, 'loot']), before: block.loot, after: loot });
    return changes;
  });
}

function lootWith(loot: Block['loot'], become: (grade: number) => number): Block['loot'] {
  if (typeof loot !== 'object') return loot;
  const asks = ({ when }: Lot) => when?.grade !== undefined && become(when.grade) !== when.grade;
  if (!loot.draws.some((draw) => draw.lots.some(asks))) return loot;
  return { draws: loot.draws.map((draw) => ({ ...draw, lots: draw.lots.map((lot) => (asks(lot) ? { ...lot, when: { ...lot.when, grade: become(lot.when!.grade!) } } : lot)) })) };
}

/** How many blocks ask for each grade, by their least grade or in a lot. */
export function gradeUses(mod: Mod): number[] {
  return mod.header.tools.grades.map((_, grade) => Object.values(mod.blocks).filter(({ traits, loot }) => traits.leastGrade === grade || (typeof loot === 'object' && loot.draws.some((draw) => draw.lots.some((lot) => lot.when?.grade === grade)))).length);
}
