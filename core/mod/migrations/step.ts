import { pointer, pointerSteps } from '../../json/index.ts';
import type { Change } from '../edit.ts';

/** One step from an edition to the next: what it does to documents, and to changes of the log. */
export interface Migration {
  /** The edition that it leads to. */
  edition: number;
  /** What is different in that edition, in a sentence. */
  title: string;
  /**
   * An entry of the edition before, as this one has it. The document may be anything: it has not
   * been checked. Nothing of it is altered.
   */
  entry: (kind: string, document: unknown) => unknown;
  /** A change of an entry of the edition before, as this one has it. */
  change: (change: Change) => Change;
}

/** A key of the entries of a kind: where it stands in a document, and how it is called. */
interface RenamedKey {
  kind: string;
  /** The members that lead to the object with the key; none for the document itself. */
  within: readonly string[];
  from: string;
  to: string;
}

/**
 * What renames keys, in documents and in changes at any depth: of the entry, of an object around
 * the key, of the key, and of something in it.
 *
 * @example
 * const step = { edition: 2, title: '…', ...renameKeys([{ kind: 'items', within: [], from: 'a', to: 'b' }]) };
 * step.entry('items', { a: 1 }) // { b: 1 }
 * step.change({ path: '/items/oil/a', after: 1 }) // { path: '/items/oil/b', after: 1 }
 */
export function renameKeys(keys: readonly RenamedKey[]): Pick<Migration, 'entry' | 'change'> {
  return {
    entry: (kind, document) =>
      keys
        .filter((key) => key.kind === kind)
        .reduce((value, { within, from, to }) => renamedIn(value, within, from, to), document),
    change: (change) => keys.reduce(renamedChange, change),
  };
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value with one key renamed in the object that the steps lead to; the same when there is none. */
function renamedIn(value: unknown, steps: readonly string[], from: string, to: string): unknown {
  if (!isObject(value)) return value;
  const [step, ...rest] = steps;
  if (step !== undefined)
    return Object.hasOwn(value, step)
      ? { ...value, [step]: renamedIn(value[step], rest, from, to) }
      : value;
  if (!Object.hasOwn(value, from)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, held]) => [key === from ? to : key, held]),
  );
}

function renamedChange(change: Change, { kind, within, from, to }: RenamedKey): Change {
  const [changedKind, name, ...inside] = pointerSteps(change.path);
  if (changedKind !== kind || name === undefined) return change;
  const depth = Math.min(inside.length, within.length);
  if (within.slice(0, depth).some((step, i) => step !== inside[i])) return change;
  if (inside.length > within.length) {
    const [key, ...rest] = inside.slice(within.length);
    return key === from
      ? { ...change, path: pointer([kind, name, ...within, to, ...rest]) }
      : change;
  }
  const below = within.slice(depth);
  const { path, ...values } = change;
  const renamed = Object.entries(values).map(([side, value]) => [
    side,
    renamedIn(value, below, from, to),
  ]);
  return { path, ...(Object.fromEntries(renamed) as Omit<Change, 'path'>) };
}
