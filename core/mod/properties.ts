import { count, listed } from '../words/index.ts';
import { heldUnder, itemAt } from '../lists/index.ts';
import { pointer, sameData } from '../json/index.ts';
import {
  mixedRadix,
  renameInCodes,
  keepCodesStable,
  StateSpace,
  valuesOf,
  type CodeLayout,
  type Property,
  type Rows,
  type Value,
  type When,
} from '../states/index.ts';
import type { Block, Looks } from './block.schema.ts';
import { conditionsIn, throughLots, throughStates } from './conditions.ts';
import type { Change } from './edit.ts';
import { codesOf } from './ledger.ts';
import type { Lot } from './loot.schema.ts';
import type { Mod } from './mod.schema.ts';
import { idOf } from './names.ts';
import {
  reactionsAfter,
  reactionsNaming,
  reactionsThrough,
  namesToward,
  reactionsToward,
  type PropertyChange,
} from './reactions-after.ts';
import type { Placing } from './states.schema.ts';
import { byStateTraits, traitFacts } from './traits.ts';

const shapeWords = { collision: 'the collision shape', outline: 'the outline' } as const;
const shapeNames = ['collision', 'outline'] as const;

/** A place of a block that names a property: what it is, in words, and how often. */
export interface PropertyUse {
  what: string;
  times: number;
}

/**
 * Where a block names a property, in words: what renaming follows and removing touches.
 *
 * @example propertyUses(block, 'lit')
 * // [{ what: 'row of the look', times: 8 }, { what: 'row of light emitted', times: 1 }]
 */
export function propertyUses(
  { looks, traits, shapes, loot, reactions, states }: Block,
  property: string,
): PropertyUse[] {
  const asks = (rows: readonly { when?: When }[]) =>
    rows.filter(({ when }) => when && Object.hasOwn(when, property)).length;
  const rowsIn = (value: unknown) => (Array.isArray(value) ? asks(value as { when?: When }[]) : 0);
  return [
    { what: 'row of the look', times: asks(looks.rows) },
    ...byStateTraits.map((trait) => ({
      what: `row of ${traitFacts(trait).words}`,
      times: rowsIn(traits[trait]),
    })),
    ...shapeNames.map((shape) => ({
      what: `row of ${shapeWords[shape]}`,
      times: rowsIn(shapes?.[shape]),
    })),
    {
      what: 'lot',
      times:
        typeof loot === 'object'
          ? loot.draws
              .flatMap((draw) => draw.lots)
              .filter(
                (lot) =>
                  lot.keeps?.includes(property) ||
                  conditionsIn(lot.when).some(
                    ({ when }) => when.state && Object.hasOwn(when.state, property),
                  ),
              ).length
          : 0,
    },
    { what: 'reaction', times: reactionsNaming(reactions, property) },
    {
      what: 'rule of placing',
      times: (states.placing ?? []).filter((rule) => rule.set === property).length,
    },
  ].filter(({ times }) => times > 0);
}

/** Where reactions of other blocks name a property of a block. */
export function usesByOthers(mod: Mod, name: string, property: string): PropertyUse[] {
  const id = idOf(mod.header.namespace, name);
  const others = Object.entries(mod.blocks).filter(([other]) => other !== name);
  const times = others.reduce(
    (sum, [, { reactions = [] }]) =>
      sum + reactions.filter((one) => namesToward(one, id, property)).length,
    0,
  );
  return times ? [{ what: 'reaction of other blocks', times }] : [];
}

/**
 * What becomes of a condition: another one, none at all (undefined), or false when it can no longer
 * hold.
 */
type OfWhen = (when: When) => When | undefined | false;

/**
 * The block with every condition on states put through a change; what can no longer hold is left
 * out.
 */
function throughConditions(
  block: Block,
  change: OfWhen,
  keep: (property: string) => string[],
): Block {
  const row = <R extends { when?: When }>(one: R): R[] => {
    if (!one.when) return [one];
    const when = change(one.when);
    if (when === false) return [];
    const { when: _gone, ...rest } = one;
    return [(when ? { when, ...rest } : rest) as R];
  };
  const byState = <T>(value: T | Rows<T> | undefined): T | Rows<T> | undefined => {
    if (!Array.isArray(value) || !value.every((one) => typeof one === 'object' && 'value' in one))
      return value;
    const given = value as { when?: When; value: T }[];
    const rows = given.flatMap(row);
    return rows.length ? rows : given.at(-1)?.value;
  };
  const traits = { ...block.traits };
  for (const trait of byStateTraits)
    if (traits[trait] !== undefined) traits[trait] = byState<number>(traits[trait]);
  const shapes = block.shapes && { ...block.shapes };
  if (shapes)
    for (const shape of shapeNames)
      if (shapes[shape] !== undefined) shapes[shape] = byState(shapes[shape] as never);
  const lot = (one: Lot): Lot | undefined => {
    const { when, keeps, ...rest } = one;
    const held = when && throughStates(when, change);
    if (held === false) return undefined;
    const kept = keeps?.flatMap(keep);
    return { ...rest, ...(kept?.length ? { keeps: kept } : {}), ...(held ? { when: held } : {}) };
  };
  const { loot } = block;
  return {
    ...block,
    traits,
    ...(block.reactions && { reactions: reactionsThrough(block.reactions, change) }),
    ...(shapes ? { shapes } : {}),
    looks: { ...block.looks, rows: block.looks.rows.flatMap<Looks['rows'][number]>(row) },
    ...(typeof loot === 'object' ? { loot: { draws: throughLots(loot.draws, lot) } } : {}),
  };
}

const pruned = (when: When): When | undefined => (Object.keys(when).length ? when : undefined);

/**
 * Which old value each new one was, when a property's values change: by name or, where one is
 * exchanged in its place, by place.
 */
function renamedValues(before: Property, after: Property): Map<Value, Value> {
  const renamed = new Map<Value, Value>();
  if (
    before.kind !== 'choice' ||
    after.kind !== 'choice' ||
    before.values.length !== after.values.length
  )
    return renamed;
  const moved = before.values.flatMap((value, i) =>
    after.values[i] === value ? [] : [[value, itemAt(after.values, i)] as const],
  );
  if (moved.length === 1 && !before.values.includes(itemAt(moved, 0)[1]))
    renamed.set(itemAt(moved, 0)[0], itemAt(moved, 0)[1]);
  return renamed;
}

/**
 * A condition after its property changed: under the new name, with values renamed and those that
 * are gone left out.
 */
function afterChange(
  before: Property,
  after: Property,
  renamed: ReadonlyMap<Value, Value>,
): OfWhen {
  const values = new Set<Value>(before.kind === after.kind ? valuesOf(after) : []);
  const known = new Set<Value>(valuesOf(before));
  return (when) => {
    const { [before.name]: wanted } = when;
    if (wanted === undefined) return when;
    const list = (Array.isArray(wanted) ? wanted : [wanted]).map(
      (value) => renamed.get(value) ?? value,
    );
    // A value that never was one stays for inspection to point at.
    const left = list.filter((value) => values.has(value) || !known.has(value));
    if (!left.length) return false;
    return Object.fromEntries(
      Object.entries(when).map(([name, value]) =>
        name === before.name
          ? [after.name, Array.isArray(wanted) ? left : itemAt(left, 0)]
          : [name, value],
      ),
    );
  };
}

/** A condition after its property is gone: as if the property had its default for ever. */
const afterRemoval =
  ({ name, default: usual }: Property): OfWhen =>
  (when) => {
    const { [name]: wanted, ...rest } = when;
    if (wanted === undefined) return when;
    return (Array.isArray(wanted) ? wanted : [wanted]).includes(usual) ? pruned(rest) : false;
  };

/** A rule that looks at neighbours which have a property alike, after that is another one or gone. */
function alikeAfter(rule: Placing, before: Property, after: Property | undefined): Placing {
  if (!rule.alike?.includes(before.name)) return rule;
  const { alike: names, ...rest } = rule;
  const alike = names.flatMap((name) => (name === before.name ? (after?.name ?? []) : name));
  return alike.length ? { ...rest, alike } : rest;
}

function placingAfter(
  placing: readonly Placing[],
  { before, after, renamed }: PropertyChange,
): Placing[] {
  const moved = (value: Value | undefined) =>
    value === undefined ? undefined : (renamed.get(value) ?? value);
  return placing.flatMap((rule) => {
    if (rule.set !== before.name) return [alikeAfter(rule, before, after)];
    return after
      ? [
          {
            ...rule,
            set: after.name,
            ...(rule.value === undefined ? {} : { value: moved(rule.value) }),
            ...(rule.otherwise === undefined ? {} : { otherwise: moved(rule.otherwise) }),
          },
        ]
      : [];
  });
}

const changeOf = ({ before, after, renamed }: PropertyChange): OfWhen =>
  after ? afterChange(before, after, renamed) : afterRemoval(before);

/** A block after one of its properties is another one or gone, but for the list of its properties. */
function blockAfter(block: Block, change: PropertyChange): Block {
  const { before, after } = change;
  const ofWhen = changeOf(change);
  const changed = throughConditions(block, ofWhen, (name) =>
    name !== before.name ? [name] : after ? [after.name] : [],
  );
  const { placing, ...states } = changed.states;
  const rules = placing && placingAfter(placing, change);
  const { reactions } = changed;
  return {
    ...changed,
    ...(reactions && {
      reactions: reactionsToward(reactionsAfter(reactions, change), change, ofWhen),
    }),
    states: { ...states, ...(rules?.length ? { placing: rules } : {}) },
  };
}

/** The changes of what other blocks say of the property in their reactions. */
const othersAfter = (mod: Mod, name: string, change: PropertyChange): Change[] =>
  Object.entries(mod.blocks).flatMap(([other, { reactions: before }]) => {
    if (!before || other === name) return [];
    const after = reactionsToward(before, change, changeOf(change));
    const path = pointer(['blocks', other, 'reactions']);
    return after === before ? [] : [{ path, before, after }];
  });

/** Uses of a property in words: `8 rows of the look and 1 lot`. */
export const usesInWords = (uses: readonly PropertyUse[]): string =>
  listed(
    uses.map(({ what, times }) =>
      count(times, what, /^(row|rule|reaction) /.test(what) ? what.replace(' ', 's ') : `${what}s`),
    ),
  );

/**
 * The changes that put another property in the place of the one at `index`, take it away (`after`
 * undefined), or add one (`index` beyond the end). Rows, lots, rules of placing, and what any block's
 * reactions say of it follow a new name and renamed values; conditions on what is gone are left out
 * as if the property had its default; the ledger keeps the codes of all states that stay.
 *
 * @example changeProperty(mod, 'tide_lantern', 1, { name: 'glowing', kind: 'toggle', default: false })
 */
export function changeProperty(
  mod: Mod,
  name: string,
  index: number,
  after: Property | undefined,
): Change[] {
  const block = heldUnder(mod.blocks, name);
  const { properties } = block.states;
  const before: Property | undefined = properties[index];
  const next = (
    before
      ? properties.flatMap((one, i) => (i === index ? (after ? [after] : []) : [one]))
      : [...properties, after!]
  ) as Block['states']['properties'];
  const renamed: ReadonlyMap<Value, Value> =
    before && after ? renamedValues(before, after) : new Map<Value, Value>();
  const change: PropertyChange | undefined = before && {
    id: idOf(mod.header.namespace, name),
    before,
    after,
    renamed,
  };
  const changed = change ? blockAfter(block, change) : block;
  return [
    ...blockChanges(name, block, {
      ...changed,
      states: { ...changed.states, properties: next },
    }),
    ...(change ? othersAfter(mod, name, change) : []),
    ...codeChanges(
      mod,
      name,
      next,
      (codes) => (before && after ? renameInCodes(codes, before.name, after.name, renamed) : codes),
      before && after ? { ...before, name: after.name } : undefined,
    ),
  ];
}

/** The changes that put a block's properties into another order. Saved worlds keep their codes. */
export function orderProperties(mod: Mod, name: string, order: readonly number[]): Change[] {
  const block = heldUnder(mod.blocks, name);
  const properties = order.map((index) => itemAt(block.states.properties, index));
  return [
    {
      path: pointer(['blocks', name, 'states', 'properties']),
      before: block.states.properties,
      after: properties,
    },
    ...codeChanges(mod, name, properties, (codes) => codes),
  ];
}

const blockChanges = (name: string, before: Block, after: Block): Change[] =>
  (Object.keys(after) as (keyof Block)[]).flatMap((part) =>
    sameData(before[part], after[part])
      ? []
      : [{ path: pointer(['blocks', name, part]), before: before[part], after: after[part] }],
  );

/**
 * The change of the ledger that keeps the codes of a block's states where they would otherwise
 * move.
 */
function codeChanges(
  mod: Mod,
  name: string,
  properties: readonly Property[],
  rename: (codes: CodeLayout) => CodeLayout,
  renamed?: Property,
): Change[] {
  const at = mod.ledger.entries.findIndex((entry) => entry.kind === 'block' && entry.name === name);
  const entry = mod.ledger.entries[at];
  if (!entry) return [];
  const then = heldUnder(mod.blocks, name).states.properties;
  const before = new StateSpace(
    renamed
      ? then.map((one) => (properties.some(({ name: now }) => now === one.name) ? one : renamed))
      : then,
  );
  const after = new StateSpace(properties);
  const settled = keepCodesStable(
    rename(codesOf(mod.ledger, name, new StateSpace(then))),
    before,
    after,
  );
  const codes = sameData(settled, mixedRadix(after)) ? undefined : settled;
  return sameData(codes, entry.codes)
    ? []
    : [{ path: pointer(['ledger', 'entries', at, 'codes']), before: entry.codes, after: codes }];
}
