import { pointerSteps, sameData } from '../json/index.ts';
import type { Fix } from './finding.ts';

/** One thing that a fix does: where, what stands there, and what will. */
export interface FixLine {
  place: string;
  before: string;
  after: string;
}

/** So many letters of a value are said. */
const mostLetters = 72;

/**
 * What a fix does before it is done, place by place: of what is changed as a whole only what
 * differs in it.
 *
 * @example fixInWords({ title: 'Make it 12', changes: [
 *   { path: '/blocks/lamp/traits/lightEmitted', before: 0.8, after: 12 },
 * ] }) // [{ place: 'lamp › traits › lightEmitted', before: '0.8', after: '12' }]
 */
export const fixInWords = ({ changes }: Fix): FixLine[] =>
  changes.flatMap(({ path, before, after }) => {
    const [kind = '', ...within] = pointerSteps(path);
    return differing(before, after, within.length ? within : [kind]);
  });

function differing(before: unknown, after: unknown, steps: readonly string[]): FixLine[] {
  if (sameData(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after)) return differingLists(before, after, steps);
  if (isRecord(before) && isRecord(after)) {
    const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
    return [...keys].flatMap((key) => differing(before[key], after[key], [...steps, key]));
  }
  return [{ place: steps.join(' › '), before: spoken(before), after: spoken(after) }];
}

/** Of lists of one length each place for itself; else what stands between what stays. */
function differingLists(
  before: readonly unknown[],
  after: readonly unknown[],
  steps: readonly string[],
): FixLine[] {
  const at = (index: number) => [...steps, String(index + 1)];
  if (before.length === after.length)
    return before.flatMap((value, i) => differing(value, after[i], at(i)));
  const least = Math.min(before.length, after.length);
  let head = 0;
  while (head < least && sameData(before[head], after[head])) head += 1;
  let tail = 0;
  while (tail < least - head && sameData(before.at(-1 - tail), after.at(-1 - tail))) tail += 1;
  const [gone, come] = [before, after].map((list) => list.slice(head, list.length - tail));
  const many = Math.max(gone?.length ?? 0, come?.length ?? 0);
  return Array.from({ length: many }, (_, i) => ({
    place: at(head + i).join(' › '),
    before: spoken(gone?.[i]),
    after: spoken(come?.[i]),
  }));
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value as one reads it: `when heading south, use model saltmarsh:lamp`. */
function spoken(value: unknown): string {
  const text = value === undefined ? 'nothing' : said(value);
  return text.length > mostLetters ? `${text.slice(0, mostLetters - 1)}…` : text;
}

function said(value: unknown): string {
  if (Array.isArray(value)) return value.length ? value.map(said).join(', ') : 'nothing';
  if (!isRecord(value)) return String(value);
  return Object.entries(value)
    .map(([key, one]) => `${key} ${said(one)}`)
    .join(', ');
}
