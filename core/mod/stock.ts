import { defaultTraits, type Traits } from './traits.ts';

/** A built-in starting material: traits to start from and to compare with. */
export interface Stock {
  name: string;
  title: string;
  /** Whether the world has it of itself, or somebody has to make it. */
  origin: 'found' | 'made';
  traits: Traits;
}

/** What lies in no ground and grows nowhere. */
const made: ReadonlySet<string> = new Set(['thatch', 'cloth', 'glass', 'brick', 'bronze']);

const stock = (name: string, title: string, changed: Partial<Traits>): Stock => ({
  name,
  title,
  origin: made.has(name) ? 'made' : 'found',
  traits: { ...defaultTraits, ...changed },
});

/** The stock materials, softest first. Their numbers are Obrank's own scale. */
export const stocks: readonly Stock[] = [
  stock('thatch', 'Thatch', {
    hardness: 0.4,
    blastRating: 0.5,
    toolKind: 'sickle',
    soundSet: 'obrank:thatch',
    catchesFire: 0.3,
    burnsAway: 0.25,
    mapColour: '#c2ab68',
  }),
  stock('cloth', 'Cloth', {
    hardness: 0.5,
    blastRating: 0.6,
    toolKind: 'shears',
    soundSet: 'obrank:cloth',
    bounce: 0.35,
    catchesFire: 0.25,
    burnsAway: 0.2,
    mapColour: '#d6cfc2',
  }),
  stock('glass', 'Glass', {
    hardness: 0.7,
    blastRating: 0.5,
    lightAbsorbed: 0,
    soundSet: 'obrank:glass',
    mapColour: '#bcd6d4',
    alphaMode: 'blend',
    hidesNeighbours: 'never',
    joinsOwnKind: true,
    shadedCorners: false,
  }),
  stock('sand', 'Sand', {
    hardness: 0.9,
    blastRating: 1,
    toolKind: 'spade',
    soundSet: 'obrank:sand',
    speedOnTop: 0.85,
    mapColour: '#dbcb9c',
  }),
  stock('soil', 'Soil', {
    hardness: 1.1,
    blastRating: 1.2,
    toolKind: 'spade',
    soundSet: 'obrank:soil',
    mapColour: '#7b5f45',
  }),
  stock('ice', 'Ice', {
    hardness: 1.3,
    blastRating: 1,
    toolKind: 'pick',
    lightAbsorbed: 2,
    soundSet: 'obrank:glass',
    friction: 0.05,
    mapColour: '#b3d0e0',
    alphaMode: 'blend',
    hidesNeighbours: 'never',
    joinsOwnKind: true,
  }),
  stock('clay', 'Clay', {
    hardness: 1.5,
    blastRating: 1.6,
    toolKind: 'spade',
    soundSet: 'obrank:soil',
    mapColour: '#a29a97',
  }),
  stock('chalk', 'Chalk', {
    hardness: 2.1,
    blastRating: 3,
    toolKind: 'pick',
    gated: true,
    mapColour: '#e6e2d6',
  }),
  stock('timber', 'Timber', {
    hardness: 2.8,
    blastRating: 4,
    toolKind: 'axe',
    soundSet: 'obrank:timber',
    catchesFire: 0.08,
    burnsAway: 0.06,
    mapColour: '#a07c4e',
  }),
  stock('brick', 'Brick', {
    hardness: 5,
    blastRating: 8,
    toolKind: 'pick',
    gated: true,
    mapColour: '#a4674f',
  }),
  stock('flint', 'Flint', {
    hardness: 6.5,
    blastRating: 9,
    toolKind: 'pick',
    gated: true,
    mapColour: '#5a5f63',
  }),
  stock('granite', 'Granite', {
    hardness: 8,
    blastRating: 12,
    toolKind: 'pick',
    gated: true,
    mapColour: '#97897f',
  }),
  stock('bronze', 'Bronze', {
    hardness: 11,
    blastRating: 14,
    toolKind: 'pick',
    leastGrade: 1,
    gated: true,
    soundSet: 'obrank:metal',
    mapColour: '#b0812f',
  }),
];

/** The stock material of that name. */
export const stockNamed = (name: string | undefined): Stock | undefined =>
  stocks.find((one) => one.name === name);

/** The sound sets that every engine of ours brings along. */
export const stockSoundSets: readonly string[] = [
  ...new Set(['obrank:stone', ...stocks.map((one) => one.traits.soundSet)]),
].sort();
