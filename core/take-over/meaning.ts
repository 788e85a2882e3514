import { pointer, sameData } from '../json/index.ts';
import {
  asBlock,
  codesOf,
  entryKinds,
  lookUp,
  resolveBlock,
  statesUnder,
  type Candidate,
  type EntryKind,
  type Mod,
  type NewLook,
  type ResolvedBlock,
} from '../mod/index.ts';
import { usualTop } from '../space/index.ts';
import { expandRows, type Rows } from '../states/index.ts';
import { directMembers } from '../tags/index.ts';

/**
 * Where two mods mean different things to the game, as JSON Pointers: defaults are filled in, rows
 * are compared state by state, and tags by who is in them.
 *
 * @example differencesInMeaning(mod, tidyMod(mod)) // []
 */
export function differencesInMeaning(a: Mod, b: Mod): string[] {
  return [
    ...Object.keys({ ...a.header, ...b.header })
      .filter((key) => key !== 'kept' && key !== 'edition')
      .filter((key) => !sameData(headerPart(a, key), headerPart(b, key)))
      .map((key) => pointer(['header', key])),
    ...entryKinds
      .filter((kind) => !compared.has(kind))
      .flatMap((kind) => differing(kind, a[kind], b[kind], sameData)),
    ...differing('blocks', a.blocks, b.blocks, (one, other, name) =>
      sameBlock(resolveBlock(a, name, one), resolveBlock(b, name, other)),
    ),
    ...differing('newLooks', a.newLooks, b.newLooks, (one, other, name) =>
      sameNewLook(name, a, one, b, other),
    ),
    ...(['blockTags', 'itemTags'] as const).flatMap((kind) =>
      differing(kind, membersOf(a, kind), membersOf(b, kind), sameData),
    ),
    ...differing('ledger', ledgerOf(a), ledgerOf(b), sameData),
  ];
}

/** The kinds that are not compared as they are written. */
const compared: ReadonlySet<EntryKind> = new Set(['blocks', 'newLooks', 'blockTags', 'itemTags']);

function sameNewLook(name: string, a: Mod, one: NewLook, b: Mod, other: NewLook): boolean {
  if (one.tint !== other.tint || !sameData(one.states, other.states)) return false;
  const [shown, then] = [
    resolveBlock(a, name, asBlock(name, one)),
    resolveBlock(b, name, asBlock(name, other)),
  ];
  // Where the states of that block are not known, rows can only be compared as they are written.
  return statesUnder(name, one)
    ? sameLooks(shown, then)
    : one.looks.mode === other.looks.mode && sameData(rowsOfLook(shown), rowsOfLook(then));
}

function differing<T>(
  kind: string,
  a: Record<string, T>,
  b: Record<string, T>,
  isSame: (one: T, other: T, name: string) => boolean,
): string[] {
  return Object.keys({ ...a, ...b })
    .filter((name) => {
      const [one, other] = [lookUp(a, name), lookUp(b, name)];
      return one === undefined || other === undefined || !isSame(one, other, name);
    })
    .map((name) => pointer([kind, name]));
}

/** A part of the header; of other mods, what a build tells of them. */
const headerPart = ({ header }: Mod, key: string): unknown =>
  key === 'needs'
    ? (header.needs ?? []).map(({ namespace }) => namespace)
    : (header as Record<string, unknown>)[key];

const membersOf = (mod: Mod, kind: 'blockTags' | 'itemTags'): Record<string, string[]> =>
  Object.fromEntries(
    [...directMembers(mod, kind)].map(([id, members]) => [id, [...members].sort()]),
  );

/** What is registered, by kind and name, with how the states of a block are stored. */
function ledgerOf(mod: Mod): Record<string, unknown> {
  const { entries, retired } = mod.ledger;
  const said = entries.map(({ kind, name, number, formerly }) => {
    const block = kind === 'block' ? lookUp(mod.blocks, name) : undefined;
    const space = block && resolveBlock(mod, name, block).space;
    const codes = space && codesOf(mod.ledger, name, space);
    return [`${kind} ${name}`, { number, formerly, codes }];
  });
  return {
    ...(Object.fromEntries(said) as Record<string, unknown>),
    retired: [...retired].sort((a, b) => a.number - b.number),
  };
}

/** Whether two blocks mean the same, but for the tags that they say they are in. */
export function sameBlock(a: ResolvedBlock, b: ResolvedBlock): boolean {
  const [one, other] = [a.declared, b.declared];
  return (
    sameData(heldAs(a), heldAs(b)) &&
    sameData(one.states.properties, other.states.properties) &&
    sameData(one.states.placing ?? [], other.states.placing ?? []) &&
    sameData(one.names, other.names) &&
    sameData(a.draws, b.draws) &&
    sameTraits(a, b) &&
    sameLooks(a, b) &&
    sameRows(a.shapes.collision, b.shapes.collision, a) &&
    sameRows(a.shapes.outline, b.shapes.outline, a)
  );
}

const heldAs = ({ item, declared: { identity } }: ResolvedBlock) =>
  item === 'none' ? { item } : { item, group: identity.group, held: identity.held };

function sameTraits(a: ResolvedBlock, b: ResolvedBlock): boolean {
  return Object.entries<unknown>(a.traits).every(([name, value]) => {
    const other = (b.traits as unknown as Record<string, unknown>)[name];
    // A cut-off that nothing uses says nothing.
    if (name === 'alphaCutoff' && a.traits.alphaMode !== 'mask') return true;
    return sameData(value, other) || sameRows(value as Rows<unknown>, other as Rows<unknown>, a);
  });
}

/** Whether rows give every state the same, however they are written. */
function sameRows(a: Rows<unknown>, b: Rows<unknown>, { space }: ResolvedBlock): boolean {
  if (sameData(a, b)) return true;
  if (!Array.isArray(a) || !Array.isArray(b) || space.tooLarge) return false;
  const [one, other] = [expandRows(a, space), expandRows(b, space)];
  return one.every((value, state) => sameData(value, other[state]));
}

function sameLooks(a: ResolvedBlock, b: ResolvedBlock): boolean {
  const [rows, others] = [rowsOfLook(a), rowsOfLook(b)];
  if (a.looks.mode !== b.looks.mode) return false;
  if (a.looks.mode === 'one-of') return sameRows(rows, others, a);
  // Layers are drawn one over the other: their order counts.
  return (
    rows.length === others.length &&
    rows.every((row, i) => {
      const other = others[i];
      const isSame = other && sameData(row.value, other.value);
      return isSame && sameRows([{ ...row, value: 1 }], [{ ...other, value: 1 }], a);
    })
  );
}

const rowsOfLook = ({ looks }: ResolvedBlock): Rows<Candidate[]> =>
  looks.rows.map(({ when, value }) => ({ when, value: value.map(saidOutright) }));

const saidOutright = ({ model, front = 'south', top, upright, share }: Candidate): Candidate => ({
  model,
  front,
  top: top ?? usualTop(front),
  upright: upright ?? false,
  share: share ?? 1,
});
