/**
 * The editions of a mod's documents. What was written in an earlier one is brought forward by the
 * steps since, wherever it comes from: the database, a folder, or the log of edits.
 */
import type { Change } from '../edit.ts';
import { natural } from './2-natural.ts';
import type { Migration } from './step.ts';

export type { Migration } from './step.ts';

/** All steps, oldest first. A step that was released is never changed. */
export const migrations: readonly Migration[] = [natural];

/** The edition that this program writes. */
export const currentEdition = 1 + migrations.length;

const stepsSince = (edition: number): readonly Migration[] =>
  migrations.filter((step) => step.edition > edition);

/**
 * An entry that was written in an earlier edition, as the current one has it. The header says its
 * own edition, so it is given the current one.
 *
 * @example bringEntryForward('items', { names: {}, found: true }, 1) // { names: {}, natural: true }
 */
export function bringEntryForward(kind: string, document: unknown, edition: number): unknown {
  if (edition >= currentEdition) return document;
  const brought = stepsSince(edition).reduce((value, step) => step.entry(kind, value), document);
  return kind === 'header' ? atCurrentEdition(brought) : brought;
}

/** Changes that were logged in an earlier edition, as the current one has them. */
export function bringChangesForward(changes: readonly Change[], edition: number): Change[] {
  if (edition >= currentEdition) return [...changes];
  return changes.map((change) => {
    const brought = stepsSince(edition).reduce((value, step) => step.change(value), change);
    if (brought.path !== '/header') return brought;
    const { path, ...values } = brought;
    const sides = Object.entries(values).map(([side, value]) => [side, atCurrentEdition(value)]);
    return { path, ...Object.fromEntries(sides) } as Change;
  });
}

/**
 * The edition that a header says, as it was read: 1 when it says none. Undefined when what it says
 * is no edition.
 */
export function editionOf(header: unknown): number | undefined {
  const { edition = 1 } = (header ?? {}) as { edition?: unknown };
  return typeof edition === 'number' && Number.isInteger(edition) && edition >= 1
    ? edition
    : undefined;
}

const atCurrentEdition = (header: unknown): unknown =>
  typeof header === 'object' && header !== null ? { ...header, edition: currentEdition } : header;
