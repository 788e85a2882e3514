import { lookUp, pointer, sameData } from '../json/index.ts';
import {
  applyChanges,
  entryKinds,
  nextNumber,
  referencesIn,
  splitId,
  type Change,
  type EntryKind,
  type Mod,
} from '../mod/index.ts';

/** A thing of a mod by its kind and name. */
interface Thing {
  kind: EntryKind;
  name: string;
}

/**
 * The changes that bring one block back as it was: its declaration, what that names and is no longer
 * there, and its number in the ledger. What it names and is still there stays as it is now. Throws a
 * RangeError where there was no such block.
 *
 * @example bringBlockBack(mod, asItWas, 'tide_lantern').length // 1
 */
export function bringBlockBack(now: Mod, then: Mod, name: string): Change[] {
  const block = lookUp(then.blocks, name);
  if (!block) throw new RangeError(`There was no block called ${name} then.`);
  const changes: Change[] = [];
  const put = (kind: EntryKind, entry: string, after: unknown) => {
    const before = lookUp(now[kind] as Record<string, unknown>, entry);
    if (!sameData(before, after)) changes.push({ path: pointer([kind, entry]), before, after });
  };
  put('blocks', name, block);
  for (const { kind, name: entry } of missingParts(now, then, name))
    put(kind, entry, lookUp(then[kind] as Record<string, unknown>, entry));
  changes.push(...registered(now, then, name));
  // What is told of one after the other must fit together.
  applyChanges(now, changes);
  return changes;
}

/** What a block names, directly or through a part of it, that is gone now and was there then. */
function missingParts(now: Mod, then: Mod, block: string): Thing[] {
  const found = new Map<string, Thing>();
  const open: Thing[] = [{ kind: 'blocks', name: block }];
  for (let thing = open.pop(); thing; thing = open.pop())
    for (const named of namedBy(then, thing)) {
      const key = `${named.kind}/${named.name}`;
      const isHere = lookUp(now[named.kind] as Record<string, unknown>, named.name) !== undefined;
      if (isHere || found.has(key)) continue;
      found.set(key, named);
      open.push(named);
    }
  return [...found.values()];
}

/** The entries of the mod that one of them names, but for whole blocks and items. */
function namedBy(mod: Mod, { kind, name }: Thing): Thing[] {
  const entry = lookUp(mod[kind] as Record<string, unknown>, name);
  return referencesIn({ [kind]: { [name]: entry } }).flatMap(({ text, kinds }) => {
    const { namespace, name: part } = splitId(text.replace(/^#/, ''));
    if (namespace !== mod.header.namespace) return [];
    return kinds.flatMap((of): Thing[] => {
      const isPart = of !== 'groups' && of !== 'blocks' && of !== 'items';
      if (!isPart || !entryKinds.includes(of)) return [];
      const held = lookUp(mod[of] as Record<string, unknown>, part);
      return held === undefined ? [] : [{ kind: of, name: part }];
    });
  });
}

/** The changes that register a block under the number that it had, where nothing else has it. */
function registered({ ledger: now }: Mod, { ledger: then }: Mod, name: string): Change[] {
  const isIt = (entry: { kind: string; name: string }) =>
    entry.kind === 'block' && entry.name === name;
  const was = then.entries.find(isIt);
  if (!was || now.entries.some(isIt)) return [];
  const retired = now.retired.filter((entry) => !(isIt(entry) && entry.number === was.number));
  const isTaken = [...now.entries, ...retired].some(({ number }) => number === was.number);
  const entry = isTaken ? { ...was, number: nextNumber(now) } : was;
  return [
    { path: '/ledger/entries', before: now.entries, after: [...now.entries, entry] },
    ...(retired.length < now.retired.length
      ? [{ path: '/ledger/retired', before: now.retired, after: retired }]
      : []),
  ];
}
