import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt } from '../lists/index.ts';
import {
  cornerHeights,
  flowAt,
  fluidScenes,
  fluidTicks,
  FluidWorld,
  openCell,
  pouredIn,
  reachOf,
  sceneNamed,
  solidCell,
  Spread,
  type FluidCell,
  type FluidPhysics,
} from './index.ts';

const poured: FluidCell = { kind: 'fluid', level: 0, isSource: true };
const brine: FluidPhysics = { reach: 5, pace: 4 };

/**
 * The rule once more, plainly: every cell is looked at in every step, in records instead of bytes,
 * after the words of the documentation.
 */
function plainStep(
  cells: ReadonlyMap<string, FluidCell>,
  [wide, high, deep]: readonly number[],
  physics: FluidPhysics,
): Map<string, FluidCell> {
  const at = (x: number, y: number, z: number): FluidCell =>
    cells.get(`${x} ${y} ${z}`) ?? { kind: 'solid', block: 'outside' };
  const isFluid = (cell: FluidCell) => cell.kind === 'fluid';
  const isSource = (cell: FluidCell) => cell.kind === 'fluid' && cell.isSource;
  const levelOf = (cell: FluidCell) =>
    cell.kind === 'fluid' ? (cell.isSource ? physics.reach : cell.level) : 0;
  const down = physics.rises ? 1 : -1;
  const next = new Map<string, FluidCell>();
  for (let x = 0; x < wide!; x += 1)
    for (let y = 0; y < high!; y += 1)
      for (let z = 0; z < deep!; z += 1) {
        const own = at(x, y, z);
        const sides = [
          [x + 1, z],
          [x - 1, z],
          [x, z + 1],
          [x, z - 1],
        ] as const;
        const holds = (cell: FluidCell) => cell.kind === 'solid' || isSource(cell);
        const blocks = [...sides.map(([a, b]) => at(a, y, b)), at(x, y + 1, z), at(x, y - 1, z)];
        const met = physics.meets?.find((meeting) =>
          blocks.some((cell) => cell.kind === 'solid' && cell.block === meeting.with),
        );
        let becomes = own;
        if (isFluid(own) && met) becomes = solidCell(met.becomes);
        else if (own.kind !== 'solid' && !isSource(own)) {
          const sources = sides.filter(([a, b]) => isSource(at(a, y, b))).length;
          const running = sides.map(([a, b]) =>
            holds(at(a, y + down, b)) ? levelOf(at(a, y, b)) : 0,
          );
          const level = isFluid(at(x, y - down, z))
            ? physics.reach
            : Math.max(0, Math.max(...running) - 1);
          if (physics.renews && sources >= 2 && holds(at(x, y + down, z))) becomes = poured;
          else if (level > 0) becomes = { kind: 'fluid', level, isSource: false };
          else if (isFluid(own))
            becomes = physics.leaves === undefined ? openCell : solidCell(physics.leaves);
        }
        next.set(`${x} ${y} ${z}`, becomes);
      }
  return next;
}

const cellsOf = (world: FluidWorld): Map<string, FluidCell> =>
  new Map(
    Array.from({ length: world.many }, (_, i) => [world.placeOf(i).join(' '), world.cell(i)]),
  );

const anyPhysics: fc.Arbitrary<FluidPhysics> = fc.record(
  {
    reach: fc.integer({ min: 1, max: 8 }),
    pace: fc.integer({ min: 1, max: 20 }),
    rises: fc.boolean(),
    renews: fc.boolean(),
    leaves: fc.constant('crust'),
    meets: fc.constant([{ with: 'ember', becomes: 'glass' }]),
  },
  { requiredKeys: ['reach', 'pace'] },
);
const anyCell: fc.Arbitrary<FluidCell> = fc.oneof(
  { weight: 6, arbitrary: fc.constant(openCell) },
  { weight: 3, arbitrary: fc.constant(solidCell()) },
  { weight: 1, arbitrary: fc.constant(solidCell('ember')) },
  { weight: 1, arbitrary: fc.constant(poured) },
);
const anyWorld = fc
  .tuple(
    fc.integer({ min: 1, max: 6 }),
    fc.integer({ min: 1, max: 4 }),
    fc.integer({ min: 1, max: 6 }),
  )
  .chain(([wide, high, deep]) =>
    fc
      .array(anyCell, { minLength: wide * high * deep, maxLength: wide * high * deep })
      .map((cells) => {
        const world = new FluidWorld([wide, high, deep]);
        cells.forEach((cell, i) => world.set(i, cell));
        return world;
      }),
  );

test('step by step it is what the plain rule says, also while somebody pours and digs', () =>
  fc.assert(
    fc.property(
      anyWorld,
      anyPhysics,
      fc.array(fc.option(fc.tuple(fc.nat(200), anyCell)), { maxLength: 14 }),
      (world, physics, acts) => {
        const spread = new Spread(world.copy(), physics);
        let plain = cellsOf(world);
        for (const act of acts) {
          if (act) {
            const place = world.placeOf(act[0] % world.many);
            spread.put(place, act[1]);
            plain.set(place.join(' '), act[1]);
          }
          spread.step();
          plain = plainStep(plain, world.size, physics);
          expect(cellsOf(spread.world)).toEqual(plain);
        }
      },
    ),
    { numRuns: 400 },
  ));

test('it comes to rest, rest is rest, and nothing becomes a source that does not renew itself', () =>
  fc.assert(
    fc.property(anyWorld, anyPhysics, (world, physics) => {
      const spread = new Spread(world.copy(), physics);
      const before = spread.world.count().sources;
      spread.run(400);
      expect(spread.isAtRest).toBe(true);
      const rest = spread.world.copy();
      const again = new Spread(rest.copy(), physics);
      again.step();
      expect(again.world.isLike(rest)).toBe(true);
      if (!physics.renews) expect(spread.world.count().sources).toBeLessThanOrEqual(before);
    }),
  ));

test('what rises is what falls, upside down', () =>
  fc.assert(
    fc.property(anyWorld, anyPhysics, (world, physics) => {
      const [wide, high, deep] = world.size;
      const flipped = new FluidWorld([wide, high, deep]);
      for (let i = 0; i < world.many; i += 1) {
        const [x, y, z] = world.placeOf(i);
        flipped.put([x, high - 1 - y, z], world.cell(i));
      }
      const [one, other] = [
        new Spread(world.copy(), { ...physics, rises: false }),
        new Spread(flipped, { ...physics, rises: true }),
      ];
      for (let step = 0; step < 8; step += 1) {
        one.step();
        other.step();
      }
      for (let i = 0; i < world.many; i += 1) {
        const [x, y, z] = world.placeOf(i);
        expect(other.world.at([x, high - 1 - y, z])).toEqual(one.world.cell(i));
      }
    }),
  ));

describe('worked by hand', () => {
  const at = (spread: Spread, x: number, y: number, z = (spread.world.size[2] - 1) / 2) =>
    spread.world.at([x, y, z]);

  test('on flat ground each cell is one lower, and it reaches one cell less than its reach', () => {
    const scene = sceneNamed('flat')!;
    expect(reachOf(brine, scene, 20)).toMatchObject({
      steps: 4,
      ticks: 16,
      seconds: 0.8,
      // 4 + 8 + 12 + 16 round the source.
      cells: 40,
      farthest: 4,
    });
    expect([...reachOf(brine, scene, 20).arrivals.values()].sort()).toEqual(
      [4, 8, 12, 16].flatMap((many, i) => Array.from({ length: many }, () => i + 1)),
    );
    const { spread } = pouredIn(brine, scene);
    spread.run(100);
    expect([6, 7, 8, 9, 10, 11].map((x) => at(spread, x, 2))).toEqual([
      poured,
      { kind: 'fluid', level: 4, isSource: false },
      { kind: 'fluid', level: 3, isSource: false },
      { kind: 'fluid', level: 2, isSource: false },
      { kind: 'fluid', level: 1, isSource: false },
      openCell,
    ]);
  });

  test('over a step it falls full, and runs on from there as far as from its source', () => {
    const scene = sceneNamed('step')!;
    const { spread } = pouredIn({ reach: 8, pace: 1 }, scene);
    spread.run(100);
    // Two cells to the edge at x = 4: there it falls three cells, and begins anew.
    for (const y of [2, 3, 4]) expect(at(spread, 4, y)).toMatchObject({ level: 8 });
    expect(at(spread, 5, 2)).toMatchObject({ level: 7 });
    expect(at(spread, 5, 3)).toEqual(openCell);
    expect(at(spread, 11, 2)).toMatchObject({ level: 1 });
    expect(at(spread, 12, 2)).toEqual(openCell);
  });

  test('a hole takes it in: what falls does not run over the hole', () => {
    const scene = sceneNamed('hole')!;
    const { spread } = pouredIn({ reach: 8, pace: 1 }, scene);
    spread.run(100);
    expect(at(spread, 4, 4)).toMatchObject({ level: 6 });
    expect(at(spread, 4, 1)).toMatchObject({ level: 8 });
    expect(at(spread, 5, 4)).toEqual(openCell);
    expect(at(spread, 7, 4)).toEqual(openCell);
  });

  test('without its source it runs dry from there, and leaves what it leaves', () => {
    const world = new FluidWorld([9, 2, 1]);
    for (let x = 0; x < 9; x += 1) world.put([x, 0, 0], solidCell());
    const spread = new Spread(world, { reach: 4, pace: 2, leaves: 'salt_crust' });
    spread.put([4, 1, 0], poured);
    spread.run(50);
    spread.put([4, 1, 0], openCell);
    spread.run(50);
    const row = Array.from({ length: 9 }, (_, x) => spread.world.at([x, 1, 0]));
    expect(row.filter(({ kind }) => kind === 'fluid')).toEqual([]);
    expect(row.some((cell) => cell.kind === 'solid' && cell.block === 'salt_crust')).toBe(true);
  });

  test('two sources fill the cell between them, where the fluid renews itself', () => {
    const between = (renews: boolean) => {
      const world = new FluidWorld([3, 2, 1]);
      for (let x = 0; x < 3; x += 1) world.put([x, 0, 0], solidCell());
      for (const x of [0, 2]) world.put([x, 1, 0], poured);
      const spread = new Spread(world, { ...brine, renews });
      spread.run(10);
      return spread.world.at([1, 1, 0]);
    };
    expect(between(true)).toEqual(poured);
    expect(between(false)).toEqual({ kind: 'fluid', level: 4, isSource: false });
  });

  test('where it meets something it becomes what comes of that', () => {
    const world = new FluidWorld([4, 2, 1]);
    for (let x = 0; x < 4; x += 1) world.put([x, 0, 0], solidCell(x === 2 ? 'ember' : 'ground'));
    world.put([0, 1, 0], poured);
    const spread = new Spread(world, { ...brine, meets: [{ with: 'ember', becomes: 'glass' }] });
    spread.run(20);
    expect(spread.world.at([2, 1, 0])).toEqual(solidCell('glass'));
    expect(spread.world.at([3, 1, 0])).toEqual(openCell);
  });

  test('a step takes as many ticks as it is viscous', () => {
    expect(fluidTicks({ pace: 8 }, 4)).toBe(32);
    for (const scene of fluidScenes) {
      const [thin, thick] = [2, 20].map((pace) => reachOf({ reach: 6, pace }, scene, 20));
      expect(thick!.seconds! / thin!.seconds!).toBeCloseTo(10);
      expect(thick!.cells).toBe(thin!.cells);
    }
  });
});

describe('its surface', () => {
  const scene = sceneNamed('flat')!;
  const { spread } = pouredIn(brine, scene);
  spread.run(100);
  const { world } = spread;

  test('neighbouring cells meet at one height', () => {
    const [here, east] = [cornerHeights(world, [7, 2, 5], 5), cornerHeights(world, [8, 2, 5], 5)];
    expect([here.northEast, here.southEast]).toEqual([east.northWest, east.southWest]);
    expect(here.northWest).toBeGreaterThan(here.northEast);
  });

  test('a cell under another one is full, a source stands a little below the rim', () => {
    const pool = new FluidWorld([1, 2, 1]);
    for (const y of [0, 1]) pool.put([0, y, 0], poured);
    expect(Object.values(cornerHeights(pool, [0, 0, 0], 5))).toEqual([1, 1, 1, 1]);
    expect(Object.values(cornerHeights(pool, [0, 1, 0], 5))).toEqual([0.875, 0.875, 0.875, 0.875]);
    expect(Object.values(cornerHeights(pool, [0, 0, 0], 5, true))[0]).toBe(0.875);
  });

  test('it runs away from its source, and is still on top of it', () => {
    expect(flowAt(world, [6, 2, 5], 5)).toEqual({ east: 0, south: 0 });
    expect(flowAt(world, [8, 2, 5], 5)).toEqual({ east: 1, south: 0 });
    const { east, south } = flowAt(world, [7, 2, 6], 5);
    expect([east, south].map((part) => Number(part.toFixed(3)))).toEqual([0.707, 0.707]);
  });
});

test('what lies outside of the world, or is no level, is refused', () => {
  const world = new FluidWorld([2, 1, 1]);
  expect(() => new FluidWorld([0, 1, 1])).toThrow(RangeError);
  expect(() => world.put([2, 0, 0], poured)).toThrow('lies outside');
  expect(() => world.put([0, 0, 0], { kind: 'fluid', level: 16, isSource: false })).toThrow(
    'A level of 16 is none.',
  );
  expect(itemAt(world.placeOf(1), 0)).toBe(1);
});
