import { describe, expect, test } from '@jest/globals';
import { sampleMod } from '../inspect/sample.ts';
import { type Mod, type Recipe } from '../mod/index.ts';
import {
  acceptsIn,
  clashes,
  diggingsOf,
  gains,
  heldIds,
  isBroughtAlong,
  findObtainable,
  type Accepts,
} from './index.ts';

const id = (name: string) => `saltmarsh:${name}`;
const tags: Record<string, string[]> = {
  '#saltmarsh:metals': [id('brack'), id('ebbite')],
  '#saltmarsh:dry': [id('salt'), id('reed'), id('brack')],
  '#saltmarsh:none': [],
};
const accepts: Accepts = (one) => new Set(tags[one] ?? [one]);
const pattern = (
  rows: string[],
  keys: Record<string, string>,
  gives = 'a',
  more: object = {},
): Recipe => ({
  kind: 'pattern',
  pattern: rows,
  keys: Object.fromEntries(
    Object.entries(keys).map(([key, name]) => [
      key,
      name.startsWith('#') ? `#saltmarsh:${name.slice(1)}` : id(name),
    ]),
  ),
  gives: id(gives),
  ...more,
});
const mix = (takes: string[], gives = 'b', count?: number): Recipe => ({
  kind: 'mix',
  takes: takes.map((name) => (name.startsWith('#') ? `#saltmarsh:${name.slice(1)}` : id(name))),
  gives: id(gives),
  ...(count ? { count } : {}),
});

describe('two recipes that take the same, worked out by hand', () => {
  test.each<[string, Recipe, Recipe, string[] | undefined]>([
    [
      'shifted in the grid',
      pattern(['s ', '  '], { s: 'salt' }),
      pattern([' ', 's'], { s: 'salt' }, 'b'),
      ['salt'],
    ],
    [
      'mirrored',
      pattern(['sr'], { s: 'salt', r: 'reed' }),
      pattern(['rs'], { s: 'salt', r: 'reed' }, 'b'),
      ['reed', 'salt'],
    ],
    [
      'mirrored, where one of them does not count so',
      pattern(['sr'], { s: 'salt', r: 'reed' }, 'a', { mirrored: false }),
      pattern(['rs'], { s: 'salt', r: 'reed' }, 'b'),
      ['salt', 'reed'],
    ],
    [
      'mirrored, where neither counts so',
      pattern(['sr'], { s: 'salt', r: 'reed' }, 'a', { mirrored: false }),
      pattern(['rs'], { s: 'salt', r: 'reed' }, 'b', { mirrored: false }),
      undefined,
    ],
    [
      'upside down is another pattern',
      pattern(['s', 'r'], { s: 'salt', r: 'reed' }),
      pattern(['r', 's'], { s: 'salt', r: 'reed' }, 'b'),
      undefined,
    ],
    [
      'a tag and one of its members',
      pattern(['m'], { m: '#metals' }),
      pattern(['b'], { b: 'brack' }, 'b'),
      ['brack'],
    ],
    [
      'two tags that share a member',
      mix(['#metals', 'salt']),
      mix(['#dry', 'salt'], 'c'),
      ['brack', 'salt'],
    ],
    [
      'two tags that share none with what is left',
      mix(['#metals', '#metals']),
      mix(['salt', 'brack'], 'c'),
      undefined,
    ],
    [
      'a mix laid out like the pattern',
      pattern(['sr', ' s'], { s: 'salt', r: 'reed' }),
      mix(['salt', 'reed', 'salt']),
      ['salt', 'reed', 'salt'],
    ],
    [
      'a mix of another number',
      pattern(['sr'], { s: 'salt', r: 'reed' }),
      mix(['salt', 'reed', 'salt']),
      undefined,
    ],
    [
      'the same number of the same thing is the same recipe',
      mix(['salt'], 'b'),
      mix(['salt'], 'b'),
      undefined,
    ],
    [
      'another number of the same thing is not',
      mix(['salt'], 'b'),
      mix(['salt'], 'b', 2),
      ['salt'],
    ],
    ['a tag that nothing is in meets nothing', mix(['#none']), mix(['#none'], 'c'), undefined],
    [
      'in the fire',
      { kind: 'fire', takes: id('salt'), gives: id('a'), seconds: 5 },
      { kind: 'fire', takes: '#saltmarsh:dry', gives: id('b'), seconds: 9 },
      ['salt'],
    ],
    [
      'fire and mix are different places',
      { kind: 'fire', takes: id('salt'), gives: id('a'), seconds: 5 },
      mix(['salt']),
      undefined,
    ],
    [
      'cuts are chosen between',
      { kind: 'cut', takes: id('salt'), choices: [{ gives: id('a') }] },
      { kind: 'cut', takes: id('salt'), choices: [{ gives: id('b') }] },
      undefined,
    ],
    [
      'cuts that give other numbers of one thing',
      { kind: 'cut', takes: id('salt'), choices: [{ gives: id('a') }] },
      {
        kind: 'cut',
        takes: id('salt'),
        choices: [{ gives: id('b') }, { gives: id('a'), count: 2 }],
      },
      ['salt'],
    ],
  ])('%s', (_, first, second, both) => {
    const found = clashes({ first, second }, accepts);
    expect(found.map((one) => [...one.both].sort())).toEqual(both ? [both.map(id).sort()] : []);
    // Whichever is declared first.
    expect(clashes({ second, first }, accepts)).toHaveLength(found.length);
  });
});

const withRecipes = (recipes: Record<string, Recipe>, items: Mod['items'] = {}): Mod => ({
  ...sampleMod(),
  items,
  recipes,
});
const had = (mod: Mod) => findObtainable({ ...mod, makings: mod.blocks }, acceptsIn(mod));

test(
  'of several ways the shortest is told, then the cheapest, then the one that brings ' + 'most',
  () => {
    const items = { salt: { names: {}, natural: true }, brick: { names: {} }, tile: { names: {} } };
    const one = had(
      withRecipes(
        {
          dear: mix(['salt', 'salt'], 'brick'),
          cheap: mix(['salt'], 'brick'),
          many: mix(['bank'], 'brick', 3),
          tile: mix(['brick', 'brick'], 'tile'),
        },
        items,
      ),
    );
    expect(one.get(id('brick'))).toMatchObject({ steps: 1, way: { by: 'many', count: 3 } });
    expect(Object.fromEntries(one.get(id('tile'))!.cost)).toEqual({ [id('bank')]: 2 / 3 });
    expect(one.get(id('bank'))!.way).toEqual({ how: 'dug', by: id('bank'), count: 1, takes: [] });
  },
);

test(
  'of a tag the member that costs least is taken, and what other mods bring is always ' + 'there',
  () => {
    const mod: Mod = {
      ...withRecipes(
        {
          a: mix(['salt', 'salt'], 'brick'),
          b: mix(['#either'], 'tile'),
          c: { kind: 'fire', takes: 'driftwood:log', gives: id('ash'), seconds: 3 },
        },
        {
          salt: { names: {}, natural: true, tags: [id('either')] },
          brick: { names: {}, tags: [id('either')] },
          tile: { names: {} },
          ash: { names: {} },
        },
      ),
      itemTags: { either: {} },
    };
    expect(had(mod).get(id('tile'))!.way.takes).toEqual([id('salt')]);
    expect(had(mod).get(id('ash'))!.cost).toEqual(new Map([['driftwood:log', 1]]));
    expect([
      isBroughtAlong('obrank:timber', 'saltmarsh'),
      isBroughtAlong('#driftwood:logs', 'saltmarsh'),
      isBroughtAlong(id('salt'), 'saltmarsh'),
    ]).toEqual([true, true, false]);
    expect(heldIds(mod)).toEqual(expect.arrayContaining([id('salt'), id('lamp')]));
  },
);

test('breaking counts by its mean over what placing gives; too many cases are not counted', () => {
  const mod = sampleMod();
  const dig = (loot: Mod['blocks'][string]['loot']) =>
    diggingsOf(mod, 'lamp', { ...mod.blocks['lamp']!, loot }).map((one) => Object.fromEntries(one));
  expect(dig('itself')).toEqual([{ [id('lamp')]: 1 }]);
  expect(dig('nothing')).toEqual([]);
  expect(
    dig({
      draws: [
        {
          times: 1,
          lots: [
            { give: id('bank'), when: { careful: true } },
            { give: id('lamp'), count: [1, 4] },
          ],
        },
      ],
    }),
  ).toEqual(expect.arrayContaining([{ [id('bank')]: 1 }, { [id('lamp')]: 2.5 }]));
  expect(
    dig({
      draws: [
        {
          times: 1,
          lots: Array.from({ length: 17 }, () => ({
            give: id('lamp'),
            share: 1,
            when: { chance: 0.5 },
          })),
        },
      ],
    }),
  ).toEqual([]);
});

test('gains through tags, and none where what is made cannot be put back', () => {
  const found = (recipes: Record<string, Recipe>, itemTags: Mod['itemTags'] = {}) => {
    const mod: Mod = {
      ...withRecipes(recipes, { nugget: { names: {}, tags: [id('bits')] }, bar: { names: {} } }),
      itemTags,
    };
    return gains({ ...mod, makings: {} }, acceptsIn(mod)).map(({ more, items }) => ({
      more,
      items,
    }));
  };
  expect(
    found(
      {
        melt: mix(['bar'], 'nugget', 9),
        cast: mix(
          Array.from({ length: 8 }, () => '#bits'),
          'bar',
        ),
      },
      { bits: {} },
    ),
  ).toEqual([expect.objectContaining({ items: [id('bar'), id('nugget')] })]);
  expect(
    found(
      {
        melt: mix(['bar'], 'nugget', 9),
        cast: mix(
          Array.from({ length: 9 }, () => '#bits'),
          'bar',
        ),
      },
      { bits: {} },
    ),
  ).toEqual([]);
  // A circle that needs something from outside each time makes nothing from nothing.
  expect(
    found({
      melt: mix(['bar', 'lamp'], 'nugget', 9),
      cast: mix(
        Array.from({ length: 3 }, () => 'nugget'),
        'bar',
      ),
    }),
  ).toEqual([]);
});

test('what can be held: items, and blocks that have an item form', () => {
  const mod = sampleMod();
  const ids = (item: 'block' | 'flat' | 'none' | undefined) =>
    heldIds({
      ...mod,
      items: { salt: {} },
      blocks: { lamp: { identity: item === undefined ? {} : { item } } },
    });
  expect(ids('block')).toEqual([id('salt'), id('lamp')]);
  expect(ids('flat')).toEqual([id('salt'), id('lamp')]);
  expect(ids('none')).toEqual([id('salt')]);
  expect(ids(undefined)).toEqual([id('salt')]);
});

test('a mod without anything has nothing, clashes nowhere and gains nothing', () => {
  const empty: Mod = { ...sampleMod(), blocks: {}, items: {}, recipes: {} };
  expect(had(empty).size).toBe(0);
  expect(clashes({}, accepts)).toEqual([]);
  expect(gains({ ...empty, makings: {} }, acceptsIn(empty))).toEqual([]);
});
