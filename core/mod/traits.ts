import { z } from 'zod';
import type { Rows } from '../states/index.ts';
import { Colour, Id } from './names.ts';
import { byState } from './states.schema.ts';

export const alphaModes = ['opaque', 'mask', 'blend'] as const;
export const hidesNeighbours = ['whole', 'by side', 'by shape', 'never'] as const;
export const tints = ['none', 'grass', 'leaf', 'water'] as const;
export const toolKinds = ['pick', 'axe', 'spade', 'sickle', 'shears', 'hammer'] as const;
export type ToolKind = (typeof toolKinds)[number];

/** The parts of the Traits facet, in the order in which they stand. */
export const traitParts = [
  'Digging',
  'Blast',
  'Light',
  'Sound',
  'Surface',
  'Contact',
  'Fire',
  'Display',
] as const;
export type TraitPart = (typeof traitParts)[number];

/** Everything that is known of one trait; what can be derived from it is. */
interface TraitFacts<T> {
  /** What a block has that names no stock and declares nothing. */
  default: T;
  /** In words, as in "Change light emitted". */
  words: string;
  /** The part of the Traits facet that shows it. */
  part: TraitPart;
  /** What it is to a table: a number is counted with and sorted by size. */
  kind: 'number' | 'word' | 'toggle';
  unit?: string;
  /** The least and the greatest sensible number. Inspection judges it; half-typed numbers pass. */
  range?: readonly [low: number, high: number];
  /** Fractions make no sense. */
  whole?: true;
  /** May be rows instead of one value. */
  byState?: true;
  /** The file of a pack that carries it under its own name. */
  pack: 'block' | 'display' | 'tool';
  /** Left out of the pack where it has the default, as nearly all blocks do. */
  leftOut?: true;
}

const trait = <S extends z.ZodType, const F extends TraitFacts<z.output<S>>>(
  schema: S,
  facts: F,
) => ({ schema, ...facts });

/** Ranges are for inspection to judge: a half-typed number must not be refused. */
const amount = z.number();
const meaning = <S extends z.ZodType>(schema: S, description: string): S =>
  schema.meta({ description });

/**
 * The table of traits. Schema, stock, resolving, columns, bulk changes, ranges, labels, rules and
 * the writer of a pack read it; a new trait is a line here, its consequence in `core/traits` and
 * its editor in the Traits facet.
 */
export const traitTable = {
  hardness: trait(
    meaning(
      z.union([amount, z.literal('unbreakable')]),
      'Seconds to dig with bare hands, or "unbreakable".',
    ),
    {
      default: 2,
      words: 'hardness',
      part: 'Digging',
      kind: 'number',
      unit: 's',
      range: [0, 1e6],
      pack: 'block',
    },
  ),
  blastRating: trait(meaning(amount, 'The blast energy that the block withstands.'), {
    default: 4,
    words: 'blast rating',
    part: 'Blast',
    kind: 'number',
    range: [0, 1e6],
    pack: 'block',
  }),
  toolKind: trait(
    meaning(z.enum([...toolKinds, 'none']), 'The kind of tool that digs it faster.'),
    { default: 'none', words: 'tool kind', part: 'Digging', kind: 'word', pack: 'tool' },
  ),
  leastGrade: trait(meaning(z.number().int(), 'The lowest grade of tool that counts: 0 for any.'), {
    default: 0,
    words: 'least grade',
    part: 'Digging',
    kind: 'number',
    range: [0, 31],
    whole: true,
    pack: 'tool',
  }),
  gated: trait(meaning(z.boolean(), 'Only the right tool of enough grade yields a drop.'), {
    default: false,
    words: 'gated',
    part: 'Digging',
    kind: 'toggle',
    pack: 'block',
  }),
  lightEmitted: trait(meaning(byState(amount), 'Light level 0 to 15 that it gives.'), {
    default: 0,
    words: 'light emitted',
    part: 'Light',
    kind: 'number',
    range: [0, 15],
    whole: true,
    byState: true,
    pack: 'block',
  }),
  lightAbsorbed: trait(
    meaning(byState(amount), 'Light levels 0 to 15 that are lost on the way through.'),
    {
      default: 15,
      words: 'light absorbed',
      part: 'Light',
      kind: 'number',
      range: [0, 15],
      whole: true,
      byState: true,
      pack: 'block',
    },
  ),
  soundSet: trait(meaning(Id, 'The sounds for place, step, dig, break and land.'), {
    default: 'obrank:stone',
    words: 'sound set',
    part: 'Sound',
    kind: 'word',
    pack: 'display',
  }),
  friction: trait(meaning(byState(amount), '0 for ice without end, 1 for stopping at once.'), {
    default: 0.6,
    words: 'friction',
    part: 'Surface',
    kind: 'number',
    range: [0, 1],
    byState: true,
    pack: 'block',
  }),
  bounce: trait(
    meaning(amount, 'The share 0 to 1 of the speed with which one comes back after falling on it.'),
    {
      default: 0,
      words: 'bounce',
      part: 'Surface',
      kind: 'number',
      range: [0, 1],
      pack: 'block',
      leftOut: true,
    },
  ),
  speedOnTop: trait(meaning(amount, 'Walking on it is so many times as fast.'), {
    default: 1,
    words: 'speed on top',
    part: 'Surface',
    kind: 'number',
    unit: 'times',
    range: [0, 4],
    pack: 'block',
    leftOut: true,
  }),
  dragInside: trait(
    meaning(amount, 'The share 0 to 1 of the speed that is lost each tick by whoever is inside.'),
    {
      default: 0,
      words: 'drag inside',
      part: 'Contact',
      kind: 'number',
      unit: 'a tick',
      range: [0, 1],
      pack: 'block',
      leftOut: true,
    },
  ),
  harmOnTouch: trait(
    meaning(amount, 'The share of a whole life that a second of touching it costs.'),
    {
      default: 0,
      words: 'harm on touch',
      part: 'Contact',
      kind: 'number',
      unit: 'a second',
      range: [0, 4],
      pack: 'block',
      leftOut: true,
    },
  ),
  catchesFire: trait(meaning(amount, 'Chance 0 to 1 a second of catching fire beside a flame.'), {
    default: 0,
    words: 'catches fire',
    part: 'Fire',
    kind: 'number',
    unit: 'a second',
    range: [0, 1],
    pack: 'block',
  }),
  burnsAway: trait(meaning(amount, 'Chance 0 to 1 a second of being gone once it burns.'), {
    default: 0,
    words: 'burns away',
    part: 'Fire',
    kind: 'number',
    unit: 'a second',
    range: [0, 1],
    pack: 'block',
  }),
  mapColour: trait(meaning(Colour, 'The colour of the block on a map.'), {
    default: '#8d8d86',
    words: 'map colour',
    part: 'Display',
    kind: 'word',
    pack: 'display',
  }),
  alphaMode: trait(
    meaning(z.enum(alphaModes), 'What the alpha of its texels does: nothing, holes, or a mix.'),
    { default: 'opaque', words: 'alpha mode', part: 'Display', kind: 'word', pack: 'display' },
  ),
  alphaCutoff: trait(
    meaning(amount, 'With alpha mode mask: texels below this alpha (0 to 1) are holes.'),
    {
      default: 0.5,
      words: 'alpha cutoff',
      part: 'Display',
      kind: 'number',
      range: [0, 1],
      pack: 'display',
    },
  ),
  hidesNeighbours: trait(
    meaning(
      z.enum(hidesNeighbours),
      'Which touching faces of other blocks are left out: all, those on sides that its ' +
        'model fills whole, those that its model covers, none.',
    ),
    { default: 'whole', words: 'hides neighbours', part: 'Display', kind: 'word', pack: 'display' },
  ),
  joinsOwnKind: trait(
    meaning(z.boolean(), 'Whether the face between two blocks of this kind is left out.'),
    { default: false, words: 'joins own kind', part: 'Display', kind: 'toggle', pack: 'display' },
  ),
  tint: trait(
    meaning(z.union([z.enum(tints), Colour]), 'The colour source multiplied over a grey texture.'),
    { default: 'none', words: 'tint', part: 'Display', kind: 'word', pack: 'display' },
  ),
  scatter: trait(meaning(amount, 'Greatest random offset in texels, as plants have.'), {
    default: 0,
    words: 'scatter',
    part: 'Display',
    kind: 'number',
    unit: 'texels',
    range: [0, 8],
    pack: 'display',
  }),
  shadedCorners: trait(meaning(z.boolean(), 'Whether corners between blocks are darkened.'), {
    default: true,
    words: 'shaded corners',
    part: 'Display',
    kind: 'toggle',
    pack: 'display',
  }),
};

type Table = typeof traitTable;
export type TraitName = keyof Table;
/** The names of the traits whose facts have this in them. */
type TraitsWith<F> = { [K in TraitName]: Table[K] extends F ? K : never }[TraitName];
/** The traits that may be rows. */
export type ByStateTrait = TraitsWith<{ byState: true }>;
/** The traits that are one number, whatever the state. */
export type NumberTrait = {
  [K in TraitName]: z.output<Table[K]['schema']> extends number ? K : never;
}[TraitName];

/** All traits, complete: what a resolved block and a stock material have. */
export type Traits = { [K in TraitName]: z.output<Table[K]['schema']> };

/** All traits by name, in the order of the table. */
export const traitNames = Object.keys(traitTable) as TraitName[];
/** What is known of a trait whatever it is. */
export const traitFacts = (name: TraitName): TraitFacts<unknown> => traitTable[name];
const isByState = (name: TraitName): name is ByStateTrait => traitFacts(name).byState === true;
/** The traits that may be rows, in the order of the table. */
export const byStateTraits = traitNames.filter(isByState);

/** Whether a value of a trait is rows: nothing else among traits is a list. */
export const isTraitRows = (value: Traits[TraitName]): value is Rows<number> =>
  typeof value === 'object';

/** One value a trait, made from its facts. */
const eachTrait = <T>(make: (facts: TraitFacts<unknown> & { schema: z.ZodType }) => T) =>
  Object.fromEntries(traitNames.map((name) => [name, make(traitTable[name])]));

/**
 * All traits of a block, complete. Lengths in texels, times in seconds, light in levels 0 to 15.
 */
export const TraitsSchema = z.strictObject(
  eachTrait(({ schema }) => schema) as { [K in TraitName]: Table[K]['schema'] },
);

/** The traits that a block changes from its stock. */
export const ChangedTraitsSchema = TraitsSchema.partial();

/** The traits of a block that names no stock. */
export const defaultTraits = eachTrait((facts) => facts.default) as Traits;

/** The traits of a resolved block: rows where they may depend on the state. */
export type ResolvedTraits = {
  [K in TraitName]: K extends ByStateTrait ? Rows<number> : Traits[K];
};

/**
 * The traits that a file of a pack carries under their own names; undefined where the default is
 * left out.
 */
export type PackedTraits<F extends 'block' | 'display'> = Pick<
  ResolvedTraits,
  Exclude<TraitsWith<{ pack: F }>, TraitsWith<{ leftOut: true }>>
> &
  Partial<Pick<ResolvedTraits, TraitsWith<{ pack: F }> & TraitsWith<{ leftOut: true }>>>;

/**
 * The traits that a file of a pack carries, in the order of the table.
 *
 * @example packedTraits(block.traits, 'display').alphaMode // 'opaque'
 */
export function packedTraits<F extends 'block' | 'display'>(
  traits: ResolvedTraits,
  file: F,
): PackedTraits<F> {
  const names = traitNames.filter((name) => traitFacts(name).pack === file);
  const packed = names.map((name) => {
    const { leftOut, default: usual } = traitFacts(name);
    return [name, leftOut && traits[name] === usual ? undefined : traits[name]];
  });
  return Object.fromEntries(packed) as PackedTraits<F>;
}
