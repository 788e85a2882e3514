import type { Files } from '../../../bytes/index.ts';
import type { PackWorld, YardBlock } from '../../../yard/index.ts';
import { loadPack } from '../load/index.ts';

/** What of a pack is written by hand: its files, as what stands in them; all else is the least. */
export interface HandPack {
  /** By name, what `rules/blocks/` says beside the usual. */
  blocks?: Record<string, object>;
  looks?: Record<string, object>;
  fluids?: Record<string, object>;
  /** By path, in place of whatever else would stand there. */
  files?: Record<string, object | Uint8Array>;
}

/** A number that is the same in all states. */
const same = (value: unknown) => [{ value }];
export const wholeCell = { at: [0, 0, 0], size: [16, 16, 16] };

const usualBlock = {
  hardness: 1,
  blastRating: 1,
  gated: false,
  lightEmitted: same(0),
  lightAbsorbed: same(15),
  friction: same(0.6),
  catchesFire: 0,
  burnsAway: 0,
  properties: [],
  placement: [],
  collision: same([wholeCell]),
  outline: same([wholeCell]),
};
const usualDisplay = {
  alphaMode: 'opaque',
  hidesNeighbours: 'whole',
  joinsOwnKind: false,
  tint: 'none',
  scatter: 0,
  mapColour: '#808080',
  shadedCorners: true,
  soundSet: 'obrank:stone',
};
export const cube = { model: 'obrank:stock/chalk', front: 'south', top: 'up' };
const usualLook = { mode: 'one-of', rows: [{ use: [cube] }] };
const usualFluid = { reach: 4, pace: 1 };
const usualFluidLook = {
  still: 'obrank:stock/glass',
  flowing: 'obrank:stock/glass',
  alphaMode: 'blend',
  sight: 8,
  tint: 'none',
  mapColour: '#808080',
  soundSet: 'obrank:sand',
};

const id = (name: string): string => `saltmarsh:${name}`;

/** A pack that is written by hand, as its files. */
export function handPack({ blocks = {}, looks = {}, fluids = {}, files = {} }: HandPack): Files {
  const documents: Record<string, object | Uint8Array> = {
    'pack.json': {
      format: 'obrank-block-pack',
      edition: 1,
      namespace: 'saltmarsh',
      version: '1.0.0',
      title: 'By hand',
      authors: [],
      license: 'MIT',
      texels: 16,
      tickRate: 20,
      languages: ['en'],
    },
    'registry.json': { entries: entriesOf(blocks, fluids, files), retired: [] },
    'view/words/en.json': { language: 'en', texts: {} },
  };
  for (const [name, said] of Object.entries(blocks)) {
    const display = {
      ...usualDisplay,
      ...(looks[name] as { display?: object } | undefined)?.display,
    };
    documents[`rules/blocks/${name}.json`] = { id: id(name), ...usualBlock, ...said };
    documents[`view/looks/${name}.json`] = {
      block: id(name),
      ...usualLook,
      ...looks[name],
      display,
    };
  }
  for (const [name, { look, ...said }] of Object.entries(fluids) as [string, { look?: object }][]) {
    documents[`rules/fluids/${name}.json`] = { id: id(name), ...usualFluid, ...said };
    documents[`view/fluids/${name}.json`] = { fluid: id(name), ...usualFluidLook, ...look };
  }
  return new Map(
    Object.entries({ ...documents, ...files }).map(([path, document]) => [
      path,
      document instanceof Uint8Array
        ? document
        : new TextEncoder().encode(JSON.stringify(document)),
    ]),
  );
}

function entriesOf(blocks: object, fluids: object, files: object) {
  const items = Object.keys(files)
    .filter((path) => path.startsWith('view/items/'))
    .map((path) => path.slice('view/items/'.length, -'.json'.length))
    .filter((name) => !Object.hasOwn(blocks, name));
  return [
    ...Object.keys(blocks).map((name) => ({ kind: 'block', id: id(name) })),
    ...Object.keys(fluids).map((name) => ({ kind: 'fluid', id: id(name) })),
    ...items.map((name) => ({ kind: 'item', id: id(name) })),
  ].map((entry, number) => ({ number, ...entry }));
}

/** The world of a pack that is written by hand. Throws an Error where any of it is refused. */
export function handWorld(parts: HandPack, language?: string): PackWorld {
  const { world, log } = loadPack(handPack(parts), language);
  if (log.length) throw new Error(log.join('\n'));
  return world;
}

/** A block of such a world by its name. Throws an Error where there is none. */
export function blockIn(world: PackWorld, name: string): YardBlock {
  const block = world.blocks.get(id(name));
  if (!block) throw new Error(`There is no block ${name}.`);
  return block;
}

/**
 * The name of a test that holds clauses of the format: a section, and how each of them begins.
 *
 * @example clause('Rows', 'The first row that matches wins')
 */
export const clause = (section: string, ...begins: string[]): string =>
  `${section}: ${begins.join(' · ')}`;
