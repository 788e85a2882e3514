import { pointer, sameData } from '../json/index.ts';
import type { Change } from './edit.ts';

/**
 * The fewest and smallest changes that turn one document into another: members of objects one by
 * one, elements of lists one by one where as many stay, a list that grows or shrinks whole.
 *
 * @example diffDocuments({ a: 1, b: [1] }, { a: 2, b: [1] }) // [{ path: '/a', before: 1, after: 2 }]
 */
export function diffDocuments(before: unknown, after: unknown, path = ''): Change[] {
  if (sameData(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length)
    return before.flatMap((item, i) => diffDocuments(item, after[i], `${path}/${i}`));
  if (!isRecord(before) || !isRecord(after)) return [{ path, before, after }];
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
    diffDocuments(memberOf(before, key), memberOf(after, key), path + pointer([key])),
  );
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const memberOf = (record: Record<string, unknown>, key: string): unknown =>
  Object.hasOwn(record, key) ? record[key] : undefined;
