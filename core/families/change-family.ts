import { lookUp, pointer, sameData } from '../json/index.ts';
import {
  applyChanges,
  diffDocuments,
  idOf,
  nextNumber,
  ownName,
  referencesIn,
  renameEntry,
  splitId,
  type Change,
  type Family,
  type Ledger,
  type Mod,
  type Registered,
} from '../mod/index.ts';
import { keyOf, type CellEntry, type MadeCell } from './cell.ts';
import { expansionOf, type MadeKind } from './expand.ts';

/** A material or a form that is called otherwise. */
export interface Renamed {
  of: 'material' | 'form';
  from: string;
  to: string;
}

/** An entry that a family makes, before and after an edit of it. */
interface Step {
  kind: MadeKind;
  from?: string;
  to?: string;
}

const registeredAs: Partial<Record<MadeKind, Registered>> = { blocks: 'block', items: 'item' };

/** The cells of one family by where they stand, under the names that a renaming gives. */
function cellsBy(mod: Mod, family: string, renamed?: Renamed): Map<string, MadeCell> {
  const cells = [...expansionOf(mod).cells.values()].filter(({ place }) => place.family === family);
  return new Map(
    cells.map((cell) => {
      const place = { ...cell.place };
      if (renamed && place[renamed.of] === renamed.from) place[renamed.of] = renamed.to;
      return [keyOf(place), cell];
    }),
  );
}

const stepKey = ({ kind, steps }: Pick<CellEntry, 'kind' | 'steps'>): string =>
  `${kind}${pointer(steps)}`;

/** What becomes of every entry that a family makes. */
function stepsBetween(
  before: ReadonlyMap<string, MadeCell>,
  after: ReadonlyMap<string, MadeCell>,
): Step[] {
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((key) => {
    const old = new Map((before.get(key)?.entries ?? []).map((one) => [stepKey(one), one]));
    const now = new Map((after.get(key)?.entries ?? []).map((one) => [stepKey(one), one]));
    return [...new Set([...old.keys(), ...now.keys()])].map((entry): Step => {
      const [from, to] = [old.get(entry), now.get(entry)];
      const kind = (from ?? to)?.kind ?? 'blocks';
      return { kind, ...(from && { from: from.name }), ...(to && { to: to.name }) };
    });
  });
}

/** The ledger after an edit of a family: numbers stay, what is gone is retired, what is new is last. */
function ledgerAfter(ledger: Ledger, steps: readonly Step[]): Ledger {
  let { entries, retired } = ledger;
  for (const { kind: of, from, to } of steps) {
    const kind = registeredAs[of];
    if (!kind) continue;
    const isIt = (name: string | undefined) => (entry: { kind: string; name: string }) =>
      entry.kind === kind && entry.name === name;
    const index = entries.findIndex(isIt(from));
    const held = entries[index];
    if (from !== undefined && held) {
      if (from === to) continue;
      const { codes: _, ...gone } = held;
      if (to === undefined) {
        entries = entries.filter((one) => one !== held);
        retired = [...retired, gone];
      } else {
        const formerly = [...(held.formerly ?? []).filter((name) => name !== to), from];
        entries = entries.with(index, { ...held, name: to, formerly });
      }
    } else if (to !== undefined && !entries.some(isIt(to))) {
      // What comes back is the same thing that saved worlds know.
      const back = retired.findLast((one) => isIt(to)(one) && one.successor === undefined);
      const number = nextNumber({ entries, retired });
      retired = retired.filter((one) => one !== back);
      entries = [...entries, back ?? { number, kind, name: to }];
    }
  }
  return { ...ledger, entries, retired };
}

/**
 * Pictures that go along: what a cell shows is called after its material, so a picture that it
 * showed under the old name gets the new one, where nobody has that yet.
 */
function renamedPictures(
  mod: Mod,
  before: ReadonlyMap<string, MadeCell>,
  after: ReadonlyMap<string, MadeCell>,
): Change[] {
  const found = new Map<string, string>();
  for (const [key, { entries }] of before)
    for (const { kind, steps, document } of entries) {
      const now = after.get(key)?.entries.find((one) => stepKey(one) === stepKey({ kind, steps }));
      if (!now || (kind !== 'models' && kind !== 'items')) continue;
      const [old, then] = [picturesIn(kind, document), picturesIn(kind, now.document)];
      old.forEach((id, i) => {
        const to = then[i];
        if (to !== undefined && to !== id) found.set(id, to);
      });
    }
  const name = (id: string) => ownName(mod.header.namespace, id) ?? '';
  return [...found].flatMap(([from, to]) => {
    const isFree = lookUp(mod.textures, name(to)) === undefined;
    return lookUp(mod.textures, name(from)) && isFree
      ? renameEntry(mod, 'textures', name(from), name(to))
      : [];
  });
}

/** The ids of the textures that a model or an item names, in order. */
const picturesIn = (kind: 'models' | 'items', document: unknown): string[] =>
  referencesIn({ [kind]: { it: document } })
    .filter(({ kinds }) => kinds.includes('textures'))
    .map(({ text }) => text);

/** The places of what the mod itself declares that name something by an id that is no longer. */
function renamedReferences(mod: Mod, steps: readonly Step[]): Change[] {
  const { namespace } = mod.header;
  const names = new Map(
    steps.flatMap(({ kind, from, to }) =>
      from !== undefined && to !== undefined && from !== to ? [[`${kind}/${from}`, to]] : [],
    ),
  );
  if (names.size === 0) return [];
  return referencesIn(mod).flatMap(({ path, text, kinds }): Change[] => {
    const id = splitId(text);
    if (id.namespace !== namespace) return [];
    const to = kinds.map((kind) => names.get(`${kind}/${id.name}`)).find((name) => name);
    return to === undefined ? [] : [{ path, before: text, after: idOf(namespace, to) }];
  });
}

/**
 * The changes that put a family in the place of what it was; undefined takes it away. Whatever it
 * makes is registered, renamed or retired with it, and what names its blocks and items by their
 * ids goes along. Throws a RangeError where a saved world would take the new for something else.
 *
 * @example
 * changeFamily(mod, 'oyster', { ...family, materials }, { of: 'material', from: 'tile', to: 'shard' })
 */
export function changeFamily(
  mod: Mod,
  name: string,
  family: Family | undefined,
  renamed?: Renamed,
): Change[] {
  const before = lookUp(mod.families, name);
  const own =
    before && family
      ? diffDocuments(before, family, pointer(['families', name]))
      : [{ path: pointer(['families', name]), before, after: family }];
  const then = applyChanges(mod, own);
  const [old, now] = [cellsBy(mod, name, renamed), cellsBy(then, name)];
  const steps = stepsBetween(old, now);
  const pictures = renamed ? renamedPictures(then, old, now) : [];
  const shown = applyChanges(then, pictures);
  const ledger = ledgerAfter(mod.ledger, steps);
  const references = renamedReferences(shown, steps);
  return [
    ...own.filter((change) => !sameData(change.before, change.after)),
    ...pictures,
    ...references.filter(({ path }) => !path.startsWith('/ledger/')),
    ...(['entries', 'retired'] as const).flatMap((part): Change[] =>
      sameData(mod.ledger[part], ledger[part])
        ? []
        : [{ path: `/ledger/${part}`, before: mod.ledger[part], after: ledger[part] }],
    ),
  ];
}

/** What an edit of a family comes to: how many blocks and items come, go, and are called otherwise. */
export interface FamilyConsequence {
  added: string[];
  gone: string[];
  renamed: [from: string, to: string][];
}

/** What {@link changeFamily} would make, retire and rename. */
export function consequenceOf(
  mod: Mod,
  name: string,
  family: Family | undefined,
  renamed?: Renamed,
): FamilyConsequence {
  const then = applyChanges(mod, [
    { path: pointer(['families', name]), before: lookUp(mod.families, name), after: family },
  ]);
  const steps = stepsBetween(cellsBy(mod, name, renamed), cellsBy(then, name)).filter(
    ({ kind }) => registeredAs[kind],
  );
  return {
    added: steps.flatMap(({ from, to }) => (from === undefined && to !== undefined ? [to] : [])),
    gone: steps.flatMap(({ from, to }) => (to === undefined && from !== undefined ? [from] : [])),
    renamed: steps.flatMap(({ from, to }): [string, string][] =>
      from !== undefined && to !== undefined && from !== to ? [[from, to]] : [],
    ),
  };
}
