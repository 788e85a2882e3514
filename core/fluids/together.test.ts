import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  eatsItself,
  endlessFrom,
  FluidsTogether,
  FluidWorld,
  openCell,
  solidCell,
  sourceCell,
  Spread,
  type FluidPhysics,
  type MixedCell,
} from './index.ts';

const row = (fluids: FluidsTogether, y = 1): string =>
  Array.from({ length: fluids.size[0] }, (_, x) => letterOf(fluids.at([x, y, 0]))).join('');
/** A cell as a letter: the first of a fluid or block, large for a source. */
function letterOf(cell: MixedCell): string {
  if (cell.kind === 'open') return '.';
  if (cell.kind === 'solid') return cell.block.charAt(0);
  return cell.isSource ? cell.fluid.charAt(0).toUpperCase() : cell.fluid.charAt(0);
}

/** A trench one cell wide, on ground, with what stands in it by letters. */
function trench(
  letters: string,
  physics: Record<string, FluidPhysics>,
  ground = 'ground',
): FluidsTogether {
  const fluids = new FluidsTogether([letters.length, 2, 1], new Map(Object.entries(physics)));
  [...letters].forEach((letter, x) => {
    fluids.put([x, 0, 0], solidCell(ground));
    const fluid = Object.keys(physics).find((id) => id.charAt(0).toUpperCase() === letter);
    if (fluid !== undefined) fluids.put([x, 1, 0], { ...sourceCell, fluid });
    else if (letter !== '.') fluids.put([x, 1, 0], solidCell(letter));
  });
  return fluids;
}
const run = (fluids: FluidsTogether, ticks: number): FluidsTogether => {
  for (let tick = 0; tick < ticks; tick += 1) fluids.tick();
  return fluids;
};

describe('several fluids in one world', () => {
  const brine: FluidPhysics = { reach: 5, pace: 2 };

  test('one alone moves as it does by itself, at every pace-th tick', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('.', 'g', 'B'), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 4 }),
        (letters, pace) => {
          const fluids = trench(letters.join(''), { brine: { ...brine, pace } });
          const alone = new FluidWorld([letters.length, 2, 1]);
          letters.forEach((letter, x) => {
            alone.put([x, 0, 0], solidCell());
            if (letter !== '.')
              alone.put([x, 1, 0], letter === 'B' ? sourceCell : solidCell(letter));
          });
          const spread = new Spread(alone, brine);
          for (let tick = 1; tick <= 24; tick += 1) {
            fluids.tick();
            if (tick % pace === 0) spread.step();
            letters.forEach((_, x) => {
              const { fluid: __, ...cell } = { fluid: '', ...fluids.at([x, 1, 0]) };
              expect(cell).toEqual(alone.at([x, 1, 0]));
            });
          }
        },
      ),
      { numRuns: 60 },
    ));

  test('two of them do not enter each other, and the first in the alphabet is first', () => {
    const both = { brine, mud: { reach: 5, pace: 2 } };
    expect(row(run(trench('B.M', both), 2))).toBe('BbM');
    expect(row(run(trench('B....M', both), 20))).toBe('BbbmmM');
    expect(row(run(trench('B.....', both), 20))).toBe('Bbbbb.');
  });

  test('where one meets the other it becomes what comes of that, and the other flows on', () => {
    const meets = [{ with: 'mud', becomes: 'silt' }];
    const fluids = run(
      trench('B...M', { brine: { ...brine, meets }, mud: { reach: 5, pace: 6 } }),
      60,
    );
    expect(row(fluids)).toBe('BbbsM');
  });

  test('where it becomes a fluid, a source of that stands there', () => {
    const fluids = trench('B..M', {
      brine: { ...brine, meets: [{ with: 'mud', becomes: 'mud' }] },
      mud: { reach: 2, pace: 50 },
    });
    run(fluids, 40);
    expect(row(fluids)).toBe('MMMM');
    expect(fluids.isAtRest).toBe(false);
  });

  test('somebody digs and pours between two ticks', () => {
    const fluids = run(trench('B...', { brine: { ...brine, leaves: 'crust' } }), 20);
    fluids.put([0, 1, 0], openCell);
    run(fluids, 20);
    // What is left runs once more into where the source was, before it dries.
    expect(row(fluids)).toBe('cccc');
    expect(fluids.isAtRest).toBe(true);
    expect(() => fluids.put([0, 1, 0], { ...sourceCell, fluid: 'mud' })).toThrow(
      'There is no fluid mud here.',
    );
  });
});

describe('whether a spread ends', () => {
  const ids = ['brine', 'mud', 'silt'];
  const anyFluid = fc.record({
    reach: fc.integer({ min: 2, max: 3 }),
    pace: fc.integer({ min: 1, max: 2 }),
    meets: fc.array(
      fc.record({
        with: fc.constantFrom('ground', 'brine', 'mud', 'silt'),
        becomes: fc.constantFrom('brine', 'mud', 'silt', 'crust'),
      }),
      { maxLength: 2 },
    ),
  });

  test('what is not found never ends within a bounded way, and comes to rest', () =>
    fc.assert(
      fc.property(anyFluid, anyFluid, anyFluid, (brine, mud, silt) => {
        const physics = { brine, mud, silt };
        const all = new Map(Object.entries(physics));
        fc.pre(!ids.some((id) => endlessFrom(id, all)));
        const fluids = trench(`BM${'.'.repeat(60)}`, physics);
        run(fluids, 600);
        expect(fluids.isAtRest).toBe(true);
        expect(row(fluids).endsWith('.'.repeat(20))).toBe(true);
      }),
      { numRuns: 1500 },
    ));

  test('what makes sources of itself along the ground goes through the whole world', () => {
    const meets = [{ with: 'ground', becomes: 'brine' }];
    const brine = { reach: 2, pace: 1, meets };
    expect(endlessFrom('brine', new Map([['brine', brine]]))).toEqual([
      { fluid: 'brine', meeting: meets[0] },
    ]);
    expect(row(run(trench(`B${'.'.repeat(40)}`, { brine }), 90))).toBe('B'.repeat(41));
  });

  test('fluids that turn into each other are found by the way round', () => {
    const brine = { reach: 3, pace: 1, meets: [{ with: 'ground', becomes: 'mud' }] };
    const mud = { reach: 3, pace: 1, meets: [{ with: 'crust', becomes: 'brine' }] };
    const all = new Map(Object.entries({ brine, mud }));
    expect(endlessFrom('brine', all)?.map(({ fluid }) => fluid)).toEqual(['brine', 'mud']);
    expect(endlessFrom('brine', new Map([['brine', brine]]))).toBeUndefined();
  });

  test('beside a fluid that it makes itself it makes sources of its own without end', () => {
    const meets = [
      { with: 'brine', becomes: 'mud' },
      { with: 'ground', becomes: 'brine' },
    ];
    const brine = { reach: 2, pace: 1 };
    const mud = { reach: 3, pace: 1, meets };
    const all = new Map<string, FluidPhysics>(Object.entries({ brine, mud }));
    expect(endlessFrom('mud', all)?.map(({ meeting }) => meeting.with)).toEqual([
      'ground',
      'brine',
    ]);
    const alone = { ...mud, meets: meets.slice(0, 1) };
    expect(endlessFrom('mud', new Map(Object.entries({ brine, mud: alone })))).toBeUndefined();
  });

  test('what it leaves or becomes, and meets, eats it up to its source; else a source stays', () =>
    fc.assert(
      fc.property(
        fc.option(fc.constantFrom('crust', 'silt'), { nil: undefined }),
        fc.array(
          fc.record({
            with: fc.constantFrom('crust', 'silt', 'ember'),
            becomes: fc.constantFrom('crust', 'silt'),
          }),
          { maxLength: 2 },
        ),
        (leaves, meets) => {
          const brine = { reach: 4, pace: 1, leaves, meets };
          // A crust that fell in at the far end: it is what the fluid would leave or become.
          for (const block of [leaves, ...meets.map(({ becomes }) => becomes)]) {
            if (block === undefined) continue;
            const fluids = trench('B...', { brine });
            run(fluids, 10);
            fluids.put([3, 1, 0], solidCell(block));
            run(fluids, 20);
            const isGone = fluids.at([0, 1, 0]).kind === 'solid';
            if (isGone) expect(eatsItself('brine', brine)).toBeDefined();
          }
          const eaten = eatsItself('brine', brine);
          if (eaten) {
            const fluids = trench('B...', { brine });
            run(fluids, 10);
            fluids.put([3, 1, 0], solidCell(eaten.block));
            run(fluids, 20);
            expect(fluids.at([2, 1, 0]).kind).toBe('solid');
          }
        },
      ),
      { numRuns: 200 },
    ));
});
