import { itemAt } from '../lists/index.ts';
import type { Header, LotWhen } from '../mod/index.ts';
import type { StateSpace, When } from '../states/index.ts';
import type { Tool } from '../traits/index.ts';

/**
 * How a block is broken: with what, carefully or not, by a blast or not, in which state, and by how
 * lucky a player.
 */
export interface Breaking {
  tool: Tool;
  careful: boolean;
  state: number;
  blast?: boolean;
  luck?: number;
}

/**
 * True when a state fulfils a condition; one on a property that the block does not have is never
 * fulfilled.
 */
export const stateHolds = (when: When, space: StateSpace, state: number): boolean =>
  Object.entries(when).every(([name, wanted]) => {
    const at = space.indexOf(name);
    if (at < 0) return false;
    const value = itemAt(itemAt(space.values, at), space.digit(state, at));
    return Array.isArray(wanted) ? wanted.includes(value) : wanted === value;
  });

/**
 * How often a condition holds, 0 to 1. Chances inside it are drawn apart from one another, so "all"
 * multiplies, "any" multiplies what is left, and "not" is the rest.
 *
 * @example chanceOf({ any: [{ chance: 0.5 }, { chance: 0.5 }] }, breaking, space) // 0.75
 */
export function chanceOf(when: LotWhen | undefined, breaking: Breaking, space: StateSpace): number {
  if (!when) return 1;
  const { tool, careful, blast = false, state } = breaking;
  const held = !blast && tool !== 'bare hands' ? tool : undefined;
  if (when.careful !== undefined && when.careful !== (careful && !blast)) return 0;
  if (when.blast !== undefined && when.blast !== blast) return 0;
  if (when.tool !== undefined && held?.kind !== when.tool) return 0;
  if (when.grade !== undefined && !(held && held.grade >= when.grade)) return 0;
  if (when.state !== undefined && !stateHolds(when.state, space, state)) return 0;
  let chance = when.chance === undefined ? 1 : Math.min(1, Math.max(0, when.chance));
  for (const one of when.all ?? []) chance *= chanceOf(one, breaking, space);
  if (when.any)
    chance *= 1 - when.any.reduce((none, one) => none * (1 - chanceOf(one, breaking, space)), 1);
  if (when.not) chance *= 1 - chanceOf(when.not, breaking, space);
  return chance;
}

/**
 * A condition in words: `with a flint pick or better, careful, lit = true`. Nothing for one that
 * always holds.
 */
export function conditionWords(when: LotWhen | undefined, header: Pick<Header, 'tools'>): string {
  if (!when) return '';
  const { tool, grade, careful, blast, state, chance, all, any, not } = when;
  const inner = (one: LotWhen) => conditionWords(one, header) || 'always';
  const tools = header.tools.grades;
  return [
    tool !== undefined
      ? `with ${articleOf(grade ? (tools[grade]?.name ?? `grade ${grade}`) : tool)} ` +
        `${grade ? `${tools[grade]?.name ?? `grade ${grade}`} ${tool}` : tool}${grade && grade < tools.length - 1 ? ' or better' : ''}`
      : grade !== undefined
        ? `with a tool of ${tools[grade]?.name ?? `grade ${grade}`} or better`
        : '',
    careful === undefined ? '' : careful ? 'careful' : 'not careful',
    blast === undefined ? '' : blast ? 'by a blast' : 'not by a blast',
    ...Object.entries(state ?? {}).map(
      ([name, wanted]) =>
        `${name} = ${Array.isArray(wanted) ? wanted.map(String).join(' or ') : String(wanted)}`,
    ),
    chance === undefined ? '' : `${Number((chance * 100).toFixed(2))} times in 100`,
    ...(all ?? []).map(inner),
    any ? `(${any.map(inner).join(' or ') || 'never'})` : '',
    not ? `not (${inner(not)})` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

const articleOf = (word: string): string => (/^[aeiou]/.test(word) ? 'an' : 'a');
