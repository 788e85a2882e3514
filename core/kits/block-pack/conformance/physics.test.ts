import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { directions, directionStep, seededRandom, type Vec3 } from '../../../space/index.ts';
import {
  blasted,
  chunksOf,
  darkness,
  drawingOf,
  dug,
  factsOf,
  Looks,
  meshChunk,
  Numbers,
  Run,
  type MeshArrays,
} from '../../../yard/index.ts';
import { Fire } from '../../../yard/run/fire.ts';
import { harmTo } from '../../../yard/run/touch.ts';
import { WorldNow } from '../../../yard/run/world-now.ts';
import { walked, type Player } from '../../../yard/player/body.ts';
import { blockIn, clause, handWorld } from './hand-pack.ts';

const id = (name: string): string => `saltmarsh:${name}`;

describe('Reference physics, digging', () => {
  const tools = {
    kinds: { pick: { tag: id('picks') }, axe: { tag: id('axes') } },
    grades: [
      { name: 'flint', pace: 2 },
      { name: 'bronze', pace: 5 },
    ],
  };
  const world = handWorld({
    blocks: {
      free: { hardness: 3, tool: { kind: 'pick', leastGrade: 1 } },
      gated: { hardness: 3, gated: true, tool: { kind: 'pick', leastGrade: 1 } },
      plain: { hardness: 1.01 },
      never: { hardness: 'unbreakable' },
    },
    files: { 'rules/tools.json': tools },
  });
  const dig = (name: string, kind?: string, grade = 0) =>
    dug(blockIn(world, name), kind === undefined ? undefined : { kind, grade }, world);

  test(
    clause(
      'Reference physics',
      'Dig time: `hardness` is the seconds with bare hands',
      'The right tool, of the kind that the block names and of at least its `leastGrade`',
      'A gated block dug otherwise takes three times as long and yields nothing',
      'Times round up to whole ticks of 1/`tickRate` s',
    ),
    () => {
      expect(dig('free')).toEqual({ seconds: 3, ticks: 60, yields: true });
      expect(dig('free', 'pick', 1)).toEqual({ seconds: 0.6, ticks: 12, yields: true });
      expect(dig('free', 'pick', 0)).toMatchObject({ seconds: 3 });
      expect(dig('free', 'axe', 1)).toMatchObject({ seconds: 3 });
      expect(dig('gated')).toEqual({ seconds: 9, ticks: 180, yields: false });
      expect(dig('gated', 'pick', 1)).toEqual({ seconds: 0.6, ticks: 12, yields: true });
      expect(dig('plain')).toMatchObject({ seconds: 1.05, ticks: 21 });
      expect(dig('never', 'pick', 1)).toBeUndefined();
    },
  );
});

describe('Reference physics, blasts', () => {
  const size: Vec3 = [31, 31, 31];
  const from: Vec3 = [15, 15, 15];
  const within = (place: Vec3): number =>
    Math.max(...place.map((part, axis) => Math.abs(part - from[axis]!)));
  test(
    clause(
      'Reference physics',
      'Blast: a charge of strength S sends 512 rays',
      'A block goes, at once, when a ray reaches it with more energy than its `blastRating`',
      'Each cell on the way costs 1, and a block in it a quarter of its rating besides',
      'A ray without energy ends',
      'The charges are 4, 10 and 24',
    ),
    () => {
      let drawn = 0;
      const random = () => {
        drawn += 1;
        return 0.5;
      };
      blasted(from, 4, { size, ratingAt: () => undefined, random });
      // Of each ray its direction, by two numbers, and its energy.
      expect(drawn).toBe(512 * 3);
      for (const strength of [4, 10, 24]) {
        const taken = blasted(from, strength, {
          size,
          ratingAt: (place) => (place.join() === from.join() ? undefined : 0),
          random: seededRandom(2),
        });
        const far = Math.max(...taken.map(within));
        // The energy is at most 1.25 S, and each cell costs 1.
        expect(far).toBeLessThanOrEqual(1.25 * strength);
        expect(far).toBeGreaterThan(0.4 * strength);
      }
      // A wall with a rating that no ray exceeds stays, and nothing behind it goes.
      const isWall = (place: Vec3) => within(place) === 2;
      const behind = blasted(from, 10, {
        size,
        ratingAt: (place) => (isWall(place) ? 60 : 1),
        random: seededRandom(4),
      });
      expect(behind.filter((place) => within(place) >= 2)).toEqual([]);
    },
  );
});

describe('Reference physics, of whoever walks', () => {
  const walker: Player = {
    at: [0.5, 0, 0.5],
    speed: [0, 0, 0],
    yaw: 0,
    pitch: 0,
    crouches: false,
    flies: false,
    isStanding: true,
    fallen: 0,
  };
  /** Ground of a block below 0, and another one, or nothing, above it. */
  const on = (ground: object, above?: object) => {
    const world = handWorld({
      blocks: {
        ground,
        ...(above && {
          mist: { collision: [{ value: [] }], outline: [{ value: [] }], ...above },
        }),
      },
    });
    const numbers = new Numbers(world);
    const facts = factsOf(world, numbers);
    const of = (name: string) => facts(numbers.of({ block: id(name), state: 0 }));
    return ([, y]: Vec3) => (y < 0 ? of('ground') : above ? of('mist') : facts(0));
  };
  function after(ticks: number, forward: number, factsAt: ReturnType<typeof on>, from = walker) {
    let now = from;
    for (let tick = 0; tick < ticks; tick += 1)
      now = walked(now, { forward, right: 0, up: 0 }, { factsAt, tickRate: 20 }).player;
    return now;
  }

  test(
    clause(
      'Reference physics',
      'Surface: whoever lets go on a block loses the share `friction` of the speed each tick',
      'After a fall the share `bounce` (0 where it is not given) of the speed is left, upward',
      'Contact: legs add 6 blocks a second each tick',
    ),
    () => {
      expect(-after(60, 1, on({})).speed[2]).toBeCloseTo(4, 4);
      expect(-after(60, 1, on({ speedOnTop: 0.5 })).speed[2]).toBeCloseTo(2, 4);
      const sliding = { ...walker, speed: [0, 0, -3] as Vec3 };
      expect(after(1, 0, on({ friction: [{ value: 0.1 }] }), sliding).speed[2]).toBeCloseTo(
        -2.7,
        6,
      );
      const falling = { ...walker, at: [0.5, 0.2, 0.5] as Vec3, speed: [0, -6, 0] as Vec3, isStanding: false, fallen: 3 }; // prettier-ignore
      const rebound = after(1, 0, on({ bounce: 0.5 }), falling).speed[1];
      expect(rebound).toBeCloseTo((6 + 9.8 / 20) * 0.5, 4);
      expect(after(1, 0, on({}), falling).speed[1]).toBe(0);
      const high = { ...walker, at: [0.5, 9, 0.5] as Vec3, isStanding: false };
      expect(after(10, 0, on({}), high).speed[1]).toBeCloseTo(-9.8 / 2, 6);
    },
  );
  test(
    clause(
      'Reference physics',
      'After both, whoever is inside a block loses the share `dragInside`',
      'Each second of touching a block costs the share `harmOnTouch`',
    ),
    () => {
      const factsAt = on({}, { dragInside: 0.5, harmOnTouch: 0.3 });
      const sliding = { ...walker, speed: [0, 0, -4] as Vec3 };
      // First the friction of stone, 0.6, then half of what is left.
      expect(after(1, 0, factsAt, sliding).speed[2]).toBeCloseTo(-4 * 0.4 * 0.5, 6);
      expect(harmTo(walker, factsAt)?.share).toBe(0.3);
      expect(harmTo(walker, on({}))).toBeUndefined();
    },
  );
  test(
    clause('Reference physics', 'Fire: once a second a block of which one of the six neighbours'),
    () => {
      const burns = (catchesFire: number, burnsAway: number) => {
        const world = handWorld({ blocks: { reed: { catchesFire, burnsAway } } });
        const block = blockIn(world, 'reed');
        const random = seededRandom(9);
        let [caught, gone, asked, burning] = [0, 0, 0, 0];
        for (let i = 0; i < 400; i += 1) {
          const fire = new Fire();
          const burnable = {
            blockAt: ([x, y, z]: Vec3) =>
              Math.abs(x) + Math.abs(y) + Math.abs(z) <= 2 ? { block, state: 0 } : undefined,
            random,
          };
          fire.kindle([0, 0, 0], burnable);
          gone += fire.second(burnable).length;
          burning += 1;
          caught += directions.filter((side) => fire.isBurning(directionStep(side))).length;
          asked += 6;
          expect(fire.isBurning([2, 0, 0])).toBe(false);
        }
        return [caught / asked, gone / burning];
      };
      const [caught, gone] = burns(0.3, 0.6) as [number, number];
      expect(Math.abs(caught - 0.3)).toBeLessThan(0.04);
      expect(Math.abs(gone - 0.6)).toBeLessThan(0.08);
    },
  );
});

describe('Reference physics, light', () => {
  const world = handWorld({
    blocks: {
      lamp: { lightEmitted: [{ value: 14 }], lightAbsorbed: [{ value: 15 }] },
      wall: {},
      clear: { lightAbsorbed: [{ value: 0 }] },
      murky: { lightAbsorbed: [{ value: 3 }] },
    },
  });
  const names = ['lamp', 'wall', 'clear', 'murky'];
  const size: Vec3 = [5, 4, 5];
  const places: Vec3[] = [];
  for (let y = 0; y < size[1]; y += 1)
    for (let z = 0; z < size[2]; z += 1)
      for (let x = 0; x < size[0]; x += 1) places.push([x, y, z]);

  test(
    clause(
      'Reference physics',
      'Light: levels 0 to 15',
      'A neighbour that shares a face gets the level less `max(1, absorbed)`',
      'A cell that gives light has at least that level itself',
      'The daylight of a world is 15 in each cell that absorbs nothing and above which nothing',
    ),
    () =>
      fc.assert(
        fc.property(
          fc.array(fc.integer({ min: -6, max: 3 }), { minLength: 100, maxLength: 100 }),
          (cells) => {
            const now = new WorldNow(world, size, () => 0);
            const nameAt = new Map<string, string>();
            places.forEach((place, i) => {
              const name = names[cells[i]!];
              if (name === undefined) return;
              nameAt.set(place.join(), name);
              now.lay(place, { block: id(name), state: 0 });
            });
            now.light();
            const absorbs = (place: Vec3) =>
              ({ lamp: 15, wall: 15, clear: 0, murky: 3 })[nameAt.get(place.join()) ?? ''] ?? 0;
            const isInside = (place: Vec3) =>
              place.every((part, axis) => part >= 0 && part < size[axis]!);
            const settled = (levels: Uint8Array, own: (place: Vec3) => number) => {
              const at = (place: Vec3) => levels[now.cells.indexOf(place)]!;
              for (const place of places) {
                const reach = directions.map((side) => {
                  const step = directionStep(side);
                  const there = place.map((part, axis) => part + step[axis]!) as unknown as Vec3;
                  return isInside(there) ? at(there) - Math.max(1, absorbs(place)) : 0;
                });
                expect(at(place)).toBe(Math.max(0, own(place), ...reach));
              }
            };
            settled(now.lighting.block, (place) => (nameAt.get(place.join()) === 'lamp' ? 14 : 0));
            const isOpen = ([x, y, z]: Vec3) =>
              places.every(([a, b, c]) => a !== x || c !== z || b < y || absorbs([a, b, c]) === 0);
            settled(now.lighting.sky, (place) => (isOpen(place) ? 15 : 0));
            // The night takes up to 11 levels of the day; the greater of the two is the light.
            expect(darkness(0)).toBe(11);
            expect(darkness(0.5)).toBe(0);
            for (const place of places.slice(0, 9)) {
              const index = now.cells.indexOf(place);
              expect(now.lighting.at(place, 11)).toBe(
                Math.max(now.lighting.block[index]!, now.lighting.sky[index]! - 11),
              );
            }
          },
        ),
        { numRuns: 25 },
      ),
  );
});

describe('Reference physics, faces', () => {
  const sides = ['front', 'back', 'left', 'right', 'top', 'bottom'];
  const model = (name: string, size: number[]) => ({
    [`view/models/${name}.json`]: {
      boxes: [
        {
          at: [0, 0, 0],
          size,
          sides: Object.fromEntries(sides.map((side) => [side, { slot: 'a' }])),
        },
      ],
      slots: { a: 'obrank:stock/clay' },
    },
  });
  const looking = (name: string, display: object) => ({
    rows: [{ use: [{ model: id(name), front: 'south', top: 'up' }] }],
    display: { shadedCorners: false, ...display },
  });
  const world = handWorld({
    blocks: { whole: {}, never: {}, joins: {}, side: {}, shape: {}, low: {}, slim: {}, shaded: {} },
    looks: {
      whole: looking('half', { hidesNeighbours: 'whole' }),
      never: looking('full', { hidesNeighbours: 'never' }),
      joins: looking('full', { hidesNeighbours: 'never', joinsOwnKind: true }),
      side: looking('half', { hidesNeighbours: 'by side' }),
      shape: looking('half', { hidesNeighbours: 'by shape' }),
      low: looking('half', { hidesNeighbours: 'never' }),
      slim: looking('full', { hidesNeighbours: 'by side' }),
      shaded: looking('full', { hidesNeighbours: 'whole', shadedCorners: true }),
    },
    files: { ...model('full', [16, 16, 16]), ...model('half', [16, 8, 16]) },
  });
  function meshed(cells: [Vec3, string][]): MeshArrays {
    const now = new WorldNow(world, [16, 16, 16], () => 0);
    for (const [place, name] of cells) now.lay(place, { block: id(name), state: 0 });
    now.light();
    const looks = new Looks(world, now.numbers);
    const drawing = drawingOf(now, { looks, pictureNumber: () => 1, fluidLook: () => ({ isClear: true }) }); // prettier-ignore
    return meshChunk(drawing, chunksOf([16, 16, 16])[0]!).solid;
  }
  /** Whether anything of a block is drawn where it meets the one to its east. */
  const isSeen = (name: string, neighbour: string): boolean => {
    const { positions, faces } = meshed([
      [[4, 4, 4], name],
      [[5, 4, 4], neighbour],
    ]);
    return Array.from({ length: faces }, (_, face) => face).some((face) => {
      const [a, b, c, d] = [0, 1, 2, 3].map((i) =>
        [0, 1, 2].map((axis) => positions[face * 12 + i * 3 + axis]! + 8),
      ) as [number[], number[], number[], number[]];
      const ys = [a, b, c, d].map(([, y]) => y!);
      const isTall = Math.max(...ys) - Math.min(...ys) > 0.9;
      const liesThere = [a, b, c, d].every(([x]) => x === 5);
      // From outside its corners go round against the clock: it looks east.
      const looksEast = (b[1]! - a[1]!) * (c[2]! - b[2]!) - (b[2]! - a[2]!) * (c[1]! - b[1]!) > 0;
      return liesThere && looksEast && isTall === (name !== 'low');
    });
  };

  test(
    clause('Reference physics', 'Faces between two cells are left out when the neighbour hides'),
    () => {
      expect(isSeen('slim', 'whole')).toBe(false);
      expect(isSeen('slim', 'never')).toBe(true);
      // The sides of a half model do not fill the side of the cell, but cover another half.
      expect(isSeen('slim', 'side')).toBe(true);
      expect(isSeen('never', 'slim')).toBe(false);
      expect(isSeen('low', 'side')).toBe(true);
      expect(isSeen('low', 'shape')).toBe(false);
      expect(isSeen('slim', 'shape')).toBe(true);
      expect(isSeen('joins', 'joins')).toBe(false);
      expect(isSeen('joins', 'never')).toBe(true);
      expect(isSeen('never', 'joins')).toBe(true);
    },
  );

  test(
    clause(
      'Reference physics',
      'Under `shadedCorners` a corner of a face is darker by 11 in 100',
      'A cell is taken by a block that hides its neighbours in any way but `never`',
    ),
    () => {
      /** How dark the north-west corner of the top of a block is, in hundredths. */
      const corner = (...beside: [Vec3, string][]) => {
        const { positions, lights, faces } = meshed([[[4, 4, 4], 'shaded'], ...beside]);
        for (let point = 0; point < faces * 4; point += 1) {
          const face = Math.floor(point / 4);
          const isTop = [0, 1, 2, 3].every((i) => positions[face * 12 + i * 3 + 1]! + 8 === 5);
          const [x, , z] = [0, 1, 2].map((axis) => positions[point * 3 + axis]! + 8);
          if (isTop && x === 4 && z === 4)
            return Math.round((1 - lights[point * 4 + 2]! / 255) * 100);
        }
        return undefined;
      };
      const west: Vec3 = [3, 5, 4];
      const north: Vec3 = [4, 5, 3];
      const across: Vec3 = [3, 5, 3];
      expect(corner()).toBe(0);
      expect(corner([west, 'side'])).toBe(11);
      expect(corner([across, 'shape'])).toBe(11);
      expect(corner([west, 'whole'], [across, 'whole'])).toBe(22);
      expect(corner([west, 'whole'], [north, 'whole'])).toBe(33);
      expect(corner([west, 'never'], [north, 'never'], [across, 'never'])).toBe(0);
    },
  );

  test(
    clause(
      'Textures and colours',
      '`opaque` does not look at alpha',
      'Under `mask` a texel with an alpha of at least `alphaCutoff` is drawn whole',
      '`blend` mixes with what lies behind',
    ),
    () => {
      const drawn = (display: object) => {
        const pack = handWorld({ blocks: { thing: {} }, looks: { thing: { display } } });
        const run = new Run(pack, { scene: 'Bare ground', seed: 1 });
        run.now.put([8, 8, 8], { block: id('thing'), state: 0 });
        run.now.light();
        const looks = new Looks(pack, run.now.numbers);
        const number = (one?: string) => (one === 'obrank:stock/chalk' ? 7 : 1);
        const drawing = drawingOf(run.now, { looks, pictureNumber: number, fluidLook: () => ({ isClear: true }) }); // prettier-ignore
        const { solid, clear } = meshChunk(drawing, [0, 0, 0]);
        const cutoffs = (mesh: MeshArrays) => [
          ...new Set(
            Array.from({ length: mesh.faces }, (_, face) =>
              mesh.pictures[face * 4] === 7 ? mesh.lights[face * 16 + 3]! : -1,
            ).filter((cutoff) => cutoff >= 0),
          ),
        ];
        return { solid: cutoffs(solid), clear: cutoffs(clear) };
      };
      // The least alpha of 255 that is drawn; none is asked for under `opaque`.
      expect(drawn({ alphaMode: 'opaque' })).toEqual({ solid: [0], clear: [] });
      expect(drawn({ alphaMode: 'mask' })).toEqual({ solid: [128], clear: [] });
      expect(drawn({ alphaMode: 'mask', alphaCutoff: 0.2 })).toEqual({ solid: [51], clear: [] });
      // What mixes is drawn after all else, the farthest first.
      expect(drawn({ alphaMode: 'blend' })).toEqual({ solid: [], clear: [0] });
    },
  );
});
