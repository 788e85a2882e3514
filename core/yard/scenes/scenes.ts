import type { Standing } from '../../reactions/index.ts';
import type { Vec3 } from '../../space/index.ts';
import { nameIn } from '../names.ts';
import { ownBlocks, type PackWorld, type YardBlock } from '../pack-world.ts';

/** A text that stands in the world. */
export interface Sign {
  place: Vec3;
  text: string;
}

/** What a world holds at first, and where one begins in it. */
export interface Scene {
  name: string;
  says: string;
  at: Vec3;
  yaw: number;
  pitch: number;
  signs: Sign[];
  lay: (put: (place: Vec3, stands: Standing) => void) => void;
}

/** Every world is so many cells wide, high and deep. */
export const worldSize: Vec3 = [48, 32, 48];
/** Feet stand at this height on the ground. */
export const groundHeight = 4;

type Put = Parameters<Scene['lay']>[0];

const stock = (name: string): Standing => ({ block: `obrank:${name}`, state: 0 });

/** The cells from one corner up to another, both within. */
function* cells(from: Vec3, to: Vec3): Generator<Vec3> {
  for (let y = from[1]; y <= to[1]; y += 1)
    for (let z = from[2]; z <= to[2]; z += 1)
      for (let x = from[0]; x <= to[0]; x += 1) yield [x, y, z];
}

function fill(put: Put, from: Vec3, to: Vec3, stands: Standing): void {
  for (const place of cells(from, to)) put(place, stands);
}

/** Granite, soil on it, sand on that; without the cells of which `isLeftOut` says so. */
function ground(put: Put, isLeftOut: (place: Vec3) => boolean = () => false): void {
  const [w, , d] = worldSize;
  for (const place of cells([0, 0, 0], [w - 1, groundHeight - 1, d - 1]))
    if (!isLeftOut(place))
      put(place, stock(place[1] === 0 ? 'granite' : place[1] < 3 ? 'soil' : 'sand'));
}

const isWithin = ([x, y, z]: Vec3, from: Vec3, to: Vec3): boolean =>
  x >= from[0] && x <= to[0] && y >= from[1] && y <= to[1] && z >= from[2] && z <= to[2];

const pit = [
  [8, 1, 34],
  [12, 3, 38],
] as const;
const basin = [
  [33, 2, 24],
  [42, 3, 38],
] as const;
const room = [
  [4, groundHeight, 4],
  [13, groundHeight + 5, 13],
] as const;

/** Some of everything: a wall, a pit, a dark room, a shore, and each block once. */
function village(world: PackWorld): Scene {
  const blocks = ownBlocks(world);
  const [fluid] = world.fluids.keys();
  const perRow = 12;
  const placeOf = (i: number): Vec3 => [
    18 + (i % perRow) * 2,
    groundHeight,
    18 - Math.floor(i / perRow) * 2,
  ];
  const shown = blocks.slice(0, perRow * 4);
  return {
    name: 'Ground and wall',
    says: 'A wall, a pit, a dark room, a shore, and each block once',
    at: [24.5, groundHeight, 21.8],
    yaw: 0,
    pitch: -20,
    signs: [],
    lay: (put) => {
      ground(put, (place) => isWithin(place, ...pit) || isWithin(place, ...basin));
      if (fluid !== undefined) fill(put, basin[0], [42, 3, 38], { fluid });
      fill(put, [17, groundHeight, 9], [42, groundHeight + 4, 9], stock('brick'));
      fill(put, [28, groundHeight + 1, 9], [31, groundHeight + 3, 9], stock('glass'));
      hollow(put, room[0], room[1]);
      shown.forEach((block, i) => put(placeOf(i), { block: block.id, state: usual(block) }));
    },
  };
}

const usual = ({ space }: YardBlock): number => space.defaultState;

/** A house of chalk without a window, with a way in from the south. */
function hollow(put: Put, from: Vec3, to: Vec3): void {
  const door = Math.floor((from[0] + to[0]) / 2);
  for (const place of cells(from, to)) {
    const isWall = place.some((part, axis) =>
      axis === 1 ? part === to[1] : part === from[axis] || part === to[axis],
    );
    const isDoor = place[2] === to[2] && place[0] === door && place[1] < from[1] + 3;
    if (isWall && !isDoor) put(place, stock('chalk'));
  }
}

/** So many states stand in a row, and so many rows in a scene. */
const statesAcross = 22;
const statesDeep = 20;

/** Every state of every block on a grid, and as many scenes as that takes. */
function everyState(world: PackWorld): Scene[] {
  const all = ownBlocks(world).flatMap((block) =>
    Array.from({ length: Math.min(block.space.size, 4096) }, (_, state) => ({ block, state })),
  );
  const perScene = statesAcross * statesDeep;
  const pages = Math.max(1, Math.ceil(all.length / perScene));
  return Array.from({ length: Math.min(pages, 50) }, (_, page) => {
    const shown = all.slice(page * perScene, (page + 1) * perScene);
    const placeOf = (i: number): Vec3 => [
      2 + (i % statesAcross) * 2,
      groundHeight,
      3 + Math.floor(i / statesAcross) * 2,
    ];
    return {
      name: page === 0 ? 'Every state' : `Every state, ${page + 1}`,
      says: `${shown.length} of ${all.length} states, each by itself`,
      // Before the last row, which stands nearest.
      at: [24.5, groundHeight, placeOf(Math.max(0, shown.length - 1))[2] + 3.5],
      yaw: 0,
      pitch: -24,
      signs: shown.flatMap(({ block }, i) =>
        i === 0 || shown[i - 1]?.block !== block
          ? [{ place: placeOf(i), text: nameIn(world, block.id) }]
          : [],
      ),
      lay: (put) => {
        ground(put);
        shown.forEach(({ block, state }, i) => put(placeOf(i), { block: block.id, state }));
      },
    };
  });
}

/** A hall that no day reaches, with whatever gives light in it. */
function darkRoom(world: PackWorld): Scene {
  const lamps = ownBlocks(world).flatMap((block) => {
    const state = Array.from({ length: Math.min(block.space.size, 512) }, (_, i) => i).find((one) =>
      givesLight(block, one),
    );
    return state === undefined ? [] : [{ block, state }];
  });
  return {
    name: 'Dark room',
    says: 'A hall that no day reaches, with what gives light',
    at: [24.5, groundHeight, 40.5],
    yaw: 0,
    pitch: -4,
    signs: [],
    lay: (put) => {
      ground(put);
      hollow(put, [4, groundHeight, 4], [43, groundHeight + 7, 43]);
      lamps.slice(0, 16).forEach(({ block, state }, i) =>
        put([10 + (i % 4) * 9, groundHeight, 10 + Math.floor(i / 4) * 8], {
          block: block.id,
          state,
        }),
      );
    },
  };
}

const givesLight = ({ lightEmitted, space }: YardBlock, state: number): boolean =>
  (lightEmitted.find(({ when }) => !when || space.matching(when).has(state))?.value ?? 0) > 0;

/** A basin for each fluid, on a terrace from which it may run. */
function waterside(world: PackWorld): Scene {
  const fluids = [...world.fluids.keys()].slice(0, 4);
  return {
    name: 'Waterside',
    says: 'A basin for each fluid, and a slope that it may run down',
    at: [12.5, groundHeight, 35.5],
    yaw: 350,
    pitch: -14,
    signs: fluids.map((id, i) => ({
      place: [6 + i * 11, groundHeight, 22],
      text: nameIn(world, id, 'fluid'),
    })),
    lay: (put) => {
      const basins = fluids.map((_, i): [Vec3, Vec3] => [
        [4 + i * 11, 2, 24],
        [11 + i * 11, 3, 32],
      ]);
      ground(put, (place) => basins.some(([from, to]) => isWithin(place, from, to)));
      fluids.forEach((fluid, i) => {
        const [from, to] = basins[i]!;
        fill(put, from, to, { fluid });
        fill(put, [from[0], groundHeight, 8], [to[0], groundHeight + 3, 12], stock('granite'));
        fill(put, [from[0], groundHeight, 13], [to[0], groundHeight + 1, 16], stock('granite'));
        put([from[0] + 3, groundHeight + 4, 11], { fluid });
      });
    },
  };
}

const bare = (): Scene => ({
  name: 'Bare ground',
  says: 'Sand, and nothing on it',
  at: [24.5, groundHeight, 28.5],
  yaw: 0,
  pitch: -30,
  signs: [],
  lay: (put) => ground(put),
});

/**
 * The scenes that the Yard offers for a pack.
 *
 * @example scenesOf(world).map(({ name }) => name) // ['Ground and wall', 'Every state', …]
 */
export const scenesOf = (world: PackWorld): Scene[] => [
  village(world),
  ...everyState(world),
  darkRoom(world),
  ...(world.fluids.size ? [waterside(world)] : []),
  bare(),
];
