import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../inspect/sample.ts';
import { idOf, ingredientsOf, resultsOf, type Mod, type Recipe } from '../mod/index.ts';
import {
  acceptsIn,
  clashes,
  gains,
  gridOf,
  laid,
  patternOf,
  resized,
  withCell,
  mirrored,
  findObtainable,
  type Accepts,
  type Obtaining,
} from './index.ts';

const id = (name: string) => idOf('saltmarsh', name);
const items = ['a', 'b', 'c', 'd'].map(id);
const tags: Record<string, string[]> = {
  '#saltmarsh:ab': [id('a'), id('b')],
  '#saltmarsh:bcd': [id('b'), id('c'), id('d')],
};
const accepts: Accepts = (one) => new Set(tags[one] ?? [one]);
const ingredient = fc.constantFrom(...items, ...Object.keys(tags));
const item = fc.constantFrom(...items);
const count = fc.integer({ min: 1, max: 3 });
const mix = fc.record({
  kind: fc.constant('mix' as const),
  takes: fc.array(ingredient, { minLength: 1, maxLength: 3 }),
  gives: item,
  count,
});
const pattern = fc.record({
  kind: fc.constant('pattern' as const),
  pattern: fc.constantFrom<string[]>(
    ['x'],
    ['xy'],
    ['x', 'y'],
    ['xy', ' x'],
    [' y', 'xx'],
    ['   ', ' xy'],
  ),
  keys: fc.record({ x: ingredient, y: ingredient }),
  gives: item,
  count,
  mirrored: fc.option(fc.constant(false), { nil: undefined }),
});
const fire = fc.record({
  kind: fc.constant('fire' as const),
  takes: ingredient,
  gives: item,
  count,
  seconds: fc.constant(5),
});
const recipe: fc.Arbitrary<Recipe> = fc.oneof(mix, pattern, fire);

/** Every grid or heap of items that a recipe takes, written out. */
function takenBy(recipe: Recipe): Set<string> {
  const choices = (takes: readonly (string | undefined)[]): (string | undefined)[][] =>
    takes.reduce<(string | undefined)[][]>(
      (lists, one) =>
        lists.flatMap((list) =>
          one === undefined
            ? [[...list, undefined]]
            : [...accepts(one)].map((each) => [...list, each]),
        ),
      [[]],
    );
  if (recipe.kind === 'fire' || recipe.kind === 'cut')
    return new Set(choices([recipe.takes]).map((list) => `${recipe.kind} ${list.join()}`));
  // Grids of at most two by two: a mix may be laid out in any of them.
  if (recipe.kind === 'mix') {
    const shapes = [
      [1, 1],
      [2, 1],
      [1, 2],
      [2, 2],
    ].filter(([w, h]) => w! * h! >= recipe.takes.length);
    return new Set(
      shapes.flatMap(([w, h]) =>
        permutations([
          ...recipe.takes,
          ...Array.from({ length: w! * h! - recipe.takes.length }, () => undefined),
        ]).flatMap((cells) => choices(cells).map((list) => `${w} ${h} ${list.join()}`)),
      ),
    );
  }
  const grid = laid(recipe);
  return new Set(
    [grid, ...(recipe.mirrored === false ? [] : [mirrored(grid)])].flatMap(
      ({ wide, high, cells }) => choices(cells).map((list) => `${wide} ${high} ${list.join()}`),
    ),
  );
}
const permutations = <T>(list: readonly T[]): T[][] =>
  list.length < 2
    ? [[...list]]
    : list.flatMap((one, i) =>
        permutations(list.filter((_, at) => at !== i)).map((rest) => [one, ...rest]),
      );

test('clashes agree with writing out all that each recipe takes', () =>
  fc.assert(
    fc.property(fc.array(recipe, { minLength: 2, maxLength: 4 }), (list) => {
      const recipes = Object.fromEntries(list.map((one, i) => [`r${i}`, one]));
      const found = new Set(
        clashes(recipes, accepts).map(({ first, second }) => `${first} ${second}`),
      );
      list.forEach((a, i) =>
        list.forEach((b, j) => {
          if (i >= j) return;
          const [left, right] = [takenBy(a), takenBy(b)];
          const meet = [...left].some((one) => right.has(one));
          const [one, other] = [resultsOf(a)[0]!, resultsOf(b)[0]!];
          expect([`r${i} r${j}`, found.has(`r${i} r${j}`)]).toEqual([
            `r${i} r${j}`,
            meet && (one.gives !== other.gives || one.count !== other.count),
          ]);
        }),
      );
    }),
    { numRuns: 400 },
  ));

/** A mod whose things are four items, some found, and nothing but recipes. */
const made = (recipes: readonly Recipe[], found: readonly number[]): Obtaining & Mod => {
  const mod = sampleMod();
  return {
    ...mod,
    blocks: {},
    makings: {},
    items: Object.fromEntries(
      items.map((one, i) => [
        one.slice(10),
        { names: {}, ...(found.includes(i) ? { natural: true } : {}) },
      ]),
    ),
    recipes: Object.fromEntries(recipes.map((one, i) => [`r${i}`, one])),
  };
};

test('what can be had agrees with trying every recipe until nothing new comes', () =>
  fc.assert(
    fc.property(
      fc.array(recipe, { maxLength: 5 }),
      fc.array(fc.nat(3), { maxLength: 2 }),
      (list, found) => {
        const had = findObtainable(made(list, found), accepts);
        const brute = new Set(found.map((at) => items[at]!));
        for (let round = 0; round < 6; round += 1)
          for (const one of list)
            if (
              ingredientsOf(one).every((each) =>
                [...accepts(each)].some((member) => brute.has(member)),
              )
            )
              for (const { gives } of resultsOf(one)) brute.add(gives);
        expect([...had.keys()].sort()).toEqual([...brute].sort());
        for (const [, { way, steps }] of had)
          for (const taken of way.takes) expect(had.get(taken)!.steps).toBeLessThan(steps);
      },
    ),
    { numRuns: 400 },
  ));

test('what something costs is what it takes at the end of the chain', () => {
  const mod = made(
    [
      { kind: 'mix', takes: [id('a'), id('a'), id('b')], gives: id('c'), count: 2 },
      { kind: 'fire', takes: id('c'), gives: id('d'), seconds: 4 },
    ],
    [0, 1],
  );
  expect(Object.fromEntries(findObtainable(mod, accepts).get(id('d'))!.cost)).toEqual({
    [id('a')]: 1,
    [id('b')]: 0.5,
  });
});

test(
  'a circle gains exactly when some small number of crafts leaves nothing less and ' +
    'something more',
  () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.record({
              kind: fc.constant('mix' as const),
              takes: fc.array(item, { minLength: 1, maxLength: 3 }),
              gives: item,
              count,
            }),
          ),
          { minLength: 1, maxLength: 3 },
        ),
        (list) => {
          const found = gains(made(list, []), accepts).length > 0;
          // Brute force: every recipe from 0 to 9 times.
          const net = list.map((one) =>
            items.map(
              (each) =>
                resultsOf(one).reduce(
                  (sum, { gives, count: n }) => sum + (gives === each ? n : 0),
                  0,
                ) - ingredientsOf(one).filter((taken) => taken === each).length,
            ),
          );
          const times = list.reduce<number[][]>(
            (all) => all.flatMap((some) => Array.from({ length: 10 }, (_, n) => [...some, n])),
            [[]],
          );
          const brute = times.some((some) => {
            const after = items.map((_, i) => some.reduce((sum, n, r) => sum + n * net[r]![i]!, 0));
            return after.every((sum) => sum >= 0) && after.some((sum) => sum > 0);
          });
          expect(found).toBe(brute);
        },
      ),
      { numRuns: 300 },
    ),
);

test(
  'digging: a block that drops itself and more, once placed, is a circle; what only the ' +
    "mod's code ripens is not",
  () => {
    const sample = sampleMod();
    const withLoot = (loot: Mod['blocks'][string]['loot']): Mod => ({
      ...sample,
      blocks: { ...sample.blocks, lamp: { ...sample.blocks['lamp']!, loot } },
    });
    const seeds = (lit?: boolean): Mod['blocks'][string]['loot'] => ({
      draws: [
        { times: 1, lots: [{ give: id('lamp') }] },
        {
          times: 1,
          lots: [{ give: id('bank'), ...(lit === undefined ? {} : { when: { state: { lit } } }) }],
        },
      ],
    });
    const found = (mod: Mod) =>
      gains({ ...mod, makings: mod.blocks }, acceptsIn(mod)).map(({ steps }) => steps);
    expect(found(withLoot(seeds()))).toEqual([[{ recipe: undefined, dug: 'lamp', times: 1 }]]);
    expect(found(withLoot(seeds(false)))).toHaveLength(1);
    // Placing never lights it.
    expect(found(withLoot(seeds(true)))).toEqual([]);
    expect(found(sample)).toEqual([]);
  },
);

test('buckets are dipped into pools that the world has', () => {
  const sample = sampleMod();
  const mod: Mod = {
    ...sample,
    items: {
      pail: { names: {}, natural: true },
      silt_pail: { names: {}, bucket: { of: id('bank'), empty: id('pail') } },
    },
  };
  const had = (from: Mod) => findObtainable({ ...from, makings: from.blocks }, acceptsIn(from));
  expect(had(mod).get(id('silt_pail'))!.way).toEqual({
    how: 'dipped',
    by: id('bank'),
    count: 1,
    takes: [id('pail')],
  });
  expect(
    had({
      ...mod,
      blocks: { ...mod.blocks, bank: { ...mod.blocks['bank']!, identity: { item: 'block' } } },
    }).has(id('silt_pail')),
  ).toBe(false);
});

test(
  'a pattern is laid out without what is empty around it, and its mirror is its own ' + 'mirror',
  () => {
    const grid = laid({
      kind: 'pattern',
      pattern: ['    ', ' ab ', ' a  '],
      keys: { a: 'x:a', b: 'x:b' },
      gives: 'x:c',
    });
    expect(grid).toEqual({ wide: 2, high: 2, cells: ['x:a', 'x:b', 'x:a', undefined] });
    expect(mirrored(grid).cells).toEqual(['x:b', 'x:a', undefined, 'x:a']);
    expect(mirrored(mirrored(grid))).toEqual(grid);
    expect(laid({ kind: 'pattern', pattern: ['  '], keys: {}, gives: 'x:c' })).toEqual({
      wide: 0,
      high: 0,
      cells: [],
    });
  },
);

test('a pattern is a grid and back, and each place can be set alone', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.array(fc.option(ingredient, { nil: undefined }), { minLength: 3, maxLength: 3 }),
        { minLength: 1, maxLength: 4 },
      ),
      fc.nat(2),
      fc.option(ingredient, { nil: undefined }),
      (grid, x, put) => {
        const made = { kind: 'pattern' as const, gives: id('a'), ...patternOf(grid) };
        expect(gridOf(made)).toEqual(grid);
        // Every letter stands for one ingredient, and none is left over.
        expect(new Set(Object.values(made.keys)).size).toBe(Object.keys(made.keys).length);
        expect(Object.keys(made.keys).sort()).toEqual(
          [...new Set(made.pattern.join('').replaceAll(' ', ''))].sort(),
        );
        const changed = withCell(made, x, 0, put);
        expect(gridOf(changed)).toEqual(grid.with(0, grid[0]!.with(x, put)));
        for (const [letter, ingredient] of Object.entries(changed.keys))
          if (Object.values(made.keys).includes(ingredient))
            expect(made.keys[letter]).toBe(ingredient);
        expect(gridOf(resized(resized(made, 5, 5), 3, grid.length))).toEqual(grid);
      },
    ),
  ));
