import { heldUnder } from '../lists/index.ts';
import { lookUp, pointer, pointerSteps, sameData, valueAt } from '../json/index.ts';
import {
  applyChange,
  applyChanges,
  entryOf,
  type Cell,
  type Change,
  type Mod,
} from '../mod/index.ts';
import { keyOf, type CellDocument, type CellPlace } from './cell.ts';
import { givenAt } from './cell-given.ts';
import { differencesOf } from './differences.ts';
import { expandFamilies, isMadeKind, madeAt, ownerOf } from './expand.ts';
import { cellAt } from './names.ts';

/** The change that puts something at steps of a mod, with what is missing on the way to it. */
export function putDeep(mod: Mod, steps: readonly string[], value: unknown): Change[] {
  for (let many = 1; many < steps.length; many += 1) {
    const path = pointer(steps.slice(0, many));
    if (valueAt(mod, path) !== undefined) continue;
    if (value === undefined) return [];
    const rest = steps.slice(many).reverse();
    return [{ path, after: rest.reduce((inner, step) => ({ [step]: inner }), value) }];
  }
  const path = pointer(steps);
  const before = valueAt(mod, path);
  return sameData(before, value) ? [] : [{ path, before, after: value }];
}

/** The changes that say what a cell has otherwise; nothing is left behind where it has nothing. */
export function putCell(mod: Mod, place: CellPlace, cell: Cell | undefined): Change[] {
  const { family, material, form } = place;
  const { cells = {} } = heldUnder(mod.families, family);
  const steps = ['families', family, 'cells', material, form];
  const isEmpty = cell === undefined || Object.keys(cell).length === 0;
  if (!isEmpty) return putDeep(mod, steps, cell);
  const isLast = (members: object | undefined) => Object.keys(members ?? {}).length <= 1;
  if (lookUp(lookUp(cells, material), form) === undefined) return [];
  const many = !isLast(cells[material]) ? 5 : !isLast(cells) ? 4 : 3;
  return putDeep(mod, steps.slice(0, many), undefined);
}

/** A cell that was edited as if its entries were the mod's own. */
interface Touched {
  place: CellPlace;
  /** Its entries by where they stand in the document of the cell. */
  entries: { kind: string; name: string; steps: readonly string[] }[];
}

/**
 * Edits of a mod whose families are spread out, as edits of what is declared: what is changed of a
 * block that a family makes becomes a difference of its cell, a block that is taken away is a cell
 * left out, and one that is renamed a cell with a name of its own. What the family comes to give by
 * the same edit is no difference. Everything else stays as it is.
 *
 * @example
 * declaredChanges(mod, [{ path: '/blocks/oyster_tile_stair/traits/hardness', before: 4, after: 5 }])
 * // [{ path: '/families/oyster/cells', after: { oyster_tile: { stair: { changed: … } } } }]
 */
export function declaredChanges(mod: Mod, changes: readonly Change[]): Change[] {
  const isOwned = ({ path }: Change) => {
    const { kind, name } = entryOf(path);
    return ownerOf(mod, kind, name) !== undefined;
  };
  if (!changes.some(isOwned)) return [...changes];
  const touched = new Map<string, Touched>();
  let seen = expandFamilies(mod);
  const declared: Change[] = [];
  for (const change of changes) {
    const { kind, name } = entryOf(change.path);
    const owner = ownerOf(mod, kind, name);
    seen = applyChange(seen, change);
    if (!owner) declared.push(change);
    else touched.set(keyOf(owner.place), touchedCell(mod, owner.place));
  }
  const wanted = [...touched.values()].map(({ place, entries }) => {
    const found = wantedOf(entries, seen, mod, declared);
    if (found.moved) declared.splice(0, declared.length, ...found.moved.others);
    return { place, ...found };
  });
  let now = applyChanges(mod, declared);
  for (const { place, wanted: document, moved } of wanted) {
    const more = cellChanges(now, place, document, moved?.called);
    now = applyChanges(now, more);
    declared.push(...more);
  }
  return declared;
}

const touchedCell = (mod: Mod, place: CellPlace): Touched => ({
  place,
  entries: madeAt(mod, place)?.entries ?? [],
});

/** A block or an item that an edit puts under another name. */
interface Moved {
  called: string;
  /** The edit without the entry under its new name. */
  others: Change[];
}

/** What a cell shall make after an edit; undefined where its block or item is taken away. */
function wantedOf(
  entries: Touched['entries'],
  seen: Mod,
  mod: Mod,
  declared: readonly Change[],
): { wanted: CellDocument | undefined; moved?: Moved } {
  const held = ({ kind, name }: Touched['entries'][number]): unknown =>
    isMadeKind(kind) ? lookUp(seen[kind] as Record<string, unknown>, name) : undefined;
  const main = entries.find(({ kind }) => kind === 'blocks' || kind === 'items');
  const moved = main && held(main) === undefined ? movedTo(main, mod, seen, declared) : undefined;
  if (main && held(main) === undefined && !moved) return { wanted: undefined };
  const wanted: Record<string, unknown> = {};
  for (const entry of entries) {
    const document =
      entry === main && moved
        ? lookUp(seen[main.kind as 'blocks'] as Record<string, unknown>, moved.called)
        : held(entry);
    const [part = '', pattern] = entry.steps;
    if (document === undefined) continue;
    if (pattern === undefined) wanted[part] = document;
    else wanted[part] = { ...(wanted[part] as object | undefined), [pattern]: document };
  }
  return { wanted, ...(moved && { moved }) };
}

/** Under which name an edit puts a block that it takes away under another one. */
function movedTo(
  { kind, name }: Touched['entries'][number],
  mod: Mod,
  seen: Mod,
  declared: readonly Change[],
): Moved | undefined {
  const before = lookUp(expandFamilies(mod)[kind as 'blocks'] as Record<string, unknown>, name);
  const added = declared.find(({ path, before: had }) => {
    const steps = pointerSteps(path);
    if (had !== undefined || steps.length !== 2 || steps[0] !== kind) return false;
    const after = lookUp(seen[kind as 'blocks'] as Record<string, unknown>, steps[1] ?? '');
    return isSameThing(before, after, name, steps[1] ?? '', mod.header.namespace);
  });
  if (!added) return undefined;
  const [, called = ''] = pointerSteps(added.path);
  const isOfIt = ({ path }: Change) => path === added.path || path.startsWith(`${added.path}/`);
  return { called, others: declared.filter((change) => !isOfIt(change)) };
}

/** Whether an entry is another one that names itself by its new id. */
const isSameThing = (
  before: unknown,
  after: unknown,
  from: string,
  to: string,
  namespace: string,
): boolean => {
  const renamed = JSON.stringify(before).replaceAll(
    JSON.stringify(`${namespace}:${from}`),
    JSON.stringify(`${namespace}:${to}`),
  );
  return after !== undefined && sameData(JSON.parse(renamed), after);
};

/** The changes that make a cell what it shall be, as differences from what its family gives. */
function cellChanges(
  mod: Mod,
  place: CellPlace,
  wanted: CellDocument | undefined,
  called: string | undefined,
): Change[] {
  const family = lookUp(mod.families, place.family);
  if (!family) return [];
  const before = cellAt(family, place.material, place.form);
  if (!wanted) return putCell(mod, place, { ...before, leftOut: true });
  const named = called === undefined ? [] : putCell(mod, place, { ...before, called });
  const then = applyChanges(mod, named);
  const given = givenAt(then, place);
  if (!given) return named;
  const own = called ?? before?.called;
  const changed = differencesOf(given, moved(mod, then, place, wanted));
  const cell: Cell = {
    ...(own !== undefined && { called: own }),
    ...(Object.keys(changed).length && { changed }),
  };
  return [...named, ...putCell(then, place, cell)];
}

/** What a cell shall make, naming its own entries as they are called once it has another name. */
function moved(before: Mod, after: Mod, place: CellPlace, wanted: CellDocument): CellDocument {
  const { namespace } = before.header;
  const [old, now] = [madeAt(before, place), madeAt(after, place)];
  if (!old || !now || old.name === now.name) return wanted;
  const ids = old.entries.flatMap(({ kind, steps, name }) => {
    const same = now.entries.find((one) => one.kind === kind && sameData(one.steps, steps));
    return same && same.name !== name ? [[name, same.name]] : [];
  });
  const text = ids.reduce(
    (json, [from, to]) =>
      json.replaceAll(JSON.stringify(`${namespace}:${from}`), JSON.stringify(`${namespace}:${to}`)),
    JSON.stringify(wanted),
  );
  return JSON.parse(text) as CellDocument;
}
