import { sameData, pointerSteps } from '../json/index.ts';
import { entrySchemas, type Mod } from '../mod/index.ts';
import { mergeSides, type Clash, type Side } from './merge.ts';
import { valueOfUnit, type Unit } from './units.ts';

/** The SHA-256 of each file of a unit that is there, by its path. */
export type Digests = Readonly<Record<string, string>>;

/**
 * What both sides held when they were alike last. While files are being written, `previous` are
 * those that stood there before: a file that is still as it was then was not reached.
 */
export interface Agreed {
  files: Digests;
  value: unknown;
  previous?: Digests | undefined;
}

/** What the folder holds of a unit. A unit that cannot be read is left alone on both sides. */
export type InFolder = { files: Digests } & ({ value: unknown } | { isUnread: true });

/** What is to be done about units so that both sides are alike. */
export interface Exchange {
  /** What the mod is to hold, because the folder does. */
  takes: Map<Unit, unknown>;
  /** What the folder is to hold, because the mod does, and what it holds now. */
  gives: Map<Unit, { from: unknown; to: unknown }>;
  /** What is alike, or will be once the takes are made. */
  agreed: Map<Unit, Agreed>;
  /** Values that both sides changed: somebody must choose. */
  clashes: Map<Unit, Clash[]>;
}

/** What an exchange knows of its units. */
export interface Sides {
  mod: Mod;
  agreed: ReadonlyMap<Unit, Agreed>;
  inFolder: ReadonlyMap<Unit, InFolder>;
  /** Who wins where both sides changed a value; without it somebody is asked. */
  prefer?: Side | undefined;
}

/**
 * What is to be done about some units. Nothing is said of a unit that cannot be read in the folder.
 *
 * @example exchangeUnits(['/blocks/brine'], { mod, agreed, inFolder }).gives.size // 1
 */
export function exchangeUnits(units: Iterable<Unit>, sides: Sides): Exchange {
  const done: Exchange = {
    takes: new Map(),
    gives: new Map(),
    agreed: new Map(),
    clashes: new Map(),
  };
  for (const unit of units) exchangeUnit(unit, sides, done);
  return done;
}

function exchangeUnit(unit: Unit, { mod, agreed, inFolder, prefer }: Sides, done: Exchange): void {
  const found = inFolder.get(unit) ?? { files: {}, value: undefined };
  if ('isUnread' in found) return;
  const { files, value: folder } = found;
  const page = valueOfUnit(mod, unit);
  const before = agreed.get(unit);
  const base = baseOf(unit, before, found);
  const merged = mergeFitting(unit, { base, page, folder }, prefer);
  if (merged.clashes.length && prefer === undefined) {
    done.clashes.set(unit, merged.clashes);
    return;
  }
  const isTaken = !sameData(merged.value, page);
  const isGiven = !sameData(merged.value, folder);
  if (isTaken) done.takes.set(unit, merged.value);
  if (isGiven) done.gives.set(unit, { from: folder, to: merged.value });
  else if (!isKnown(before, files, merged.value))
    done.agreed.set(unit, { files, value: merged.value });
}

const isKnown = (before: Agreed | undefined, files: Digests, value: unknown): boolean =>
  before
    ? before.previous === undefined &&
      sameData(before.files, files) &&
      sameData(before.value, value)
    : value === undefined && Object.keys(files).length === 0;

/** What both sides held, against which their changes are seen. */
function baseOf(
  unit: Unit,
  before: Agreed | undefined,
  { files, value }: { files: Digests; value: unknown },
): unknown {
  // A ledger that is gone is written again: numbers that saved worlds rest on are not taken away.
  if (unit === '/ledger' && value === undefined) return undefined;
  // What was being written when the program ended, and is not there yet, is no change of anybody's.
  return before && wasGiven(before, files) ? value : before?.value;
}

/** Whether a unit stands in the folder as it stood while it was being written. */
function wasGiven({ files, previous }: Agreed, found: Digests): boolean {
  if (!previous) return false;
  return [...new Set([...Object.keys(files), ...Object.keys(previous), ...Object.keys(found)])]
    .map((file) => [files, previous, found].map((digests) => digests[file]))
    .every(([after, before, now]) => now === after || now === before);
}

/** Merges a unit; where what comes of it would be no document, the whole of it is what clashes. */
function mergeFitting(
  unit: Unit,
  { base, page, folder }: Record<'base' | Side, unknown>,
  prefer: Side | undefined,
): { value: unknown; clashes: Clash[] } {
  const merged = mergeSides(base, page, folder, prefer);
  const isOneSide = [page, folder, undefined].some((side) => sameData(side, merged.value));
  if (isOneSide || merged.clashes.length > 0 || fits(unit, merged.value)) return merged;
  const value = prefer === undefined ? base : { page, folder }[prefer];
  return { value, clashes: [{ path: '', base, page, folder }] };
}

function fits(unit: Unit, value: unknown): boolean {
  const [kind = '', part] = pointerSteps(unit);
  if (kind === 'header' && part !== undefined) return true;
  return (
    Object.hasOwn(entrySchemas, kind) &&
    entrySchemas[kind as keyof typeof entrySchemas].safeParse(value).success
  );
}
