import { describe, expect, test } from '@jest/globals';
import { emptyMod, entrySchemas, ModSchema, namePatternOf, schemaProblems } from './index.ts';
import { sampleMod } from '../inspect/sample.ts';

type Kind = keyof typeof entrySchemas;
const problems = (kind: Kind, document: unknown): string[] => {
  const fits = entrySchemas[kind].safeParse(document, { reportInput: true });
  return fits.success
    ? []
    : schemaProblems(fits.error, entrySchemas[kind]).map(
        ({ path, message }) => `${path.join('/')}: ${message}`,
      );
};
const lamp = () =>
  structuredClone(sampleMod().blocks['lamp']!) as unknown as Record<
    string,
    Record<string, unknown>
  >;
const header = () =>
  structuredClone(emptyMod('saltmarsh', 'Saltmarsh').header) as unknown as Record<string, unknown>;

test('an empty mod and the sample fit the schema', () => {
  expect(ModSchema.parse(emptyMod('saltmarsh', 'Saltmarsh'))).toBeTruthy();
  expect(ModSchema.parse(sampleMod())).toBeTruthy();
});

describe('what does not fit is said at its place, in words', () => {
  test.each<[string, Kind, unknown, string]>([
    [
      'a header without its version, which is misspelt',
      'header',
      { ...header(), version: undefined, verison: '1.0.0' },
      'verison: There is no key "verison" here. Did you mean "version"?',
    ],
    [
      'a recipe in the fire that gives nothing',
      'recipes',
      { kind: 'fire', takes: 'saltmarsh:clay', seconds: 4 },
      'gives: "gives" is missing: a text in quotation marks belongs here.',
    ],
    [
      'a header without a namespace',
      'header',
      { ...header(), namespace: undefined },
      'namespace: "namespace" is missing: a text in quotation marks belongs here.',
    ],
    [
      'a namespace with capitals',
      'header',
      { ...header(), namespace: 'SaltMarsh' },
      'namespace: "SaltMarsh" is not allowed here: use lowercase letters, digits and ' +
        'underscores, beginning with a letter, as in tide_lantern.',
    ],
    [
      'a version in two parts',
      'header',
      { ...header(), version: '1.0' },
      'version: "1.0" is not allowed here: use a semantic version such as 0.3.0.',
    ],
    [
      'a language that is a word',
      'header',
      { ...header(), languages: ['english'] },
      'languages/0: "english" is not allowed here: use a BCP 47 language tag such as en, ' +
        'de or pt-BR.',
    ],
    [
      'no language at all',
      'header',
      { ...header(), languages: [] },
      'languages: This is too short: at least 1 entry.',
    ],
    [
      'half a texel',
      'header',
      { ...header(), texels: 16.5 },
      'texels: This must be a whole number.',
    ],
    [
      'too few texels',
      'header',
      { ...header(), texels: 1 },
      'texels: This is too small: at least 4.',
    ],
    [
      'an unknown tool kind',
      'header',
      { ...header(), tools: { kinds: { shovel: { tag: 'a:b' } }, grades: [] } },
      'tools/kinds/shovel: There is no key "shovel" here.',
    ],
    ['a block that is a list', 'blocks', [], ': This must be an object in { }.'],
    [
      'a property of an unknown kind',
      'blocks',
      { ...lamp(), states: { properties: [{ name: 'x', kind: 'switch', default: true }] } },
      'states/properties/0/kind: This kind must be "toggle", "number", "choice", ' +
        '"heading", "direction" or "axis".',
    ],
    [
      'a placing rule that nobody knows',
      'blocks',
      {
        ...lamp(),
        states: { properties: [], placing: [{ set: 'heading', to: 'towards the player' }] },
      },
      'states/placing/0/to: This must be "toward the player", "away from the player", ' +
        '"clicked side", "along the clicked side", "away from a solid neighbour", "half of ' +
        'the clicked side", "crouching", "signal", "joined", "corner", "from the item" or ' +
        '"fixed". Did ' +
        'you mean "toward the player"?',
    ],
    [
      'a front between two directions',
      'blocks',
      {
        ...lamp(),
        looks: { mode: 'one-of', rows: [{ use: [{ model: 'a:b', front: 'northeast' }] }] },
      },
      'looks/rows/0/use/0/front: This must be "north", "east", "south", "west", "up" or "down".',
    ],
    [
      'a look without candidates',
      'blocks',
      { ...lamp(), looks: { mode: 'one-of', rows: [{ use: [] }] } },
      'looks/rows/0/use: This is too short: at least 1 entry.',
    ],
    [
      'a model without a namespace',
      'blocks',
      { ...lamp(), looks: { mode: 'one-of', rows: [{ use: [{ model: 'lamp' }] }] } },
      'looks/rows/0/use/0/model: "lamp" is not allowed here: use namespace:name in ' +
        'lowercase letters, digits and underscores, as in saltmarsh:tide_lantern.',
    ],
    [
      'a colour in words',
      'blocks',
      { ...lamp(), traits: { mapColour: 'brass' } },
      'traits/mapColour: "brass" is not allowed here: use a colour such as #d8cba0, in ' +
        'small letters.',
    ],
    [
      'an alpha mode that nobody knows',
      'blocks',
      { ...lamp(), traits: { alphaMode: 'opaqe' } },
      'traits/alphaMode: This must be "opaque", "mask" or "blend". Did you mean "opaque"?',
    ],
    [
      'a lot that gives and draws at once',
      'blocks',
      { ...lamp(), loot: { draws: [{ times: 1, lots: [{ give: 'a:b', table: 'a:c' }] }] } },
      'A lot gives an item or draws from a table, not both.',
    ],
    [
      'a recipe of an unknown kind',
      'recipes',
      { kind: 'stew', takes: [], gives: 'a:b' },
      'kind: This kind must be "pattern", "mix", "fire" or "cut".',
    ],
    [
      'a release on no day',
      'ledger',
      {
        entries: [],
        retired: [],
        releases: [{ version: '0.1.0', on: 'today', counts: { groups: 0, blocks: 0, items: 0 } }],
      },
      'releases/0/on: "today" is not allowed here: use a day such as 2026-03-31.',
    ],
    [
      'a box in two numbers',
      'models',
      { boxes: [{ at: [0, 0], size: [1, 1, 1], sides: {} }] },
      'boxes/0/at: This is too short: at least 3 entries.',
    ],
    [
      'a side that a box does not have',
      'models',
      { boxes: [{ at: [0, 0, 0], size: [1, 1, 1], sides: { lid: { slot: 'a' } } }] },
      'boxes/0/sides/lid: There is no key "lid" here.',
    ],
    [
      'a spin about no axis',
      'models',
      {
        boxes: [
          {
            at: [0, 0, 0],
            size: [1, 1, 1],
            spin: { about: 'w', by: 1, pivot: [0, 0, 0] },
            sides: {},
          },
        ],
      },
      'boxes/0/spin/about: This must be "x", "y" or "z".',
    ],
    [
      'five quarters',
      'models',
      { boxes: [{ at: [0, 0, 0], size: [1, 1, 1], sides: { top: { slot: 'a', quarters: 5 } } }] },
      'boxes/0/sides/top/quarters: This is too large: at most 3.',
    ],
    [
      'a ledger with half a number',
      'ledger',
      { entries: [{ number: 0.5, kind: 'block', name: 'x' }], retired: [] },
      'entries/0/number: This must be a whole number.',
    ],
    [
      'a recipe of no kind',
      'recipes',
      { kind: 'bake', gives: 'a:b' },
      'kind: This kind must be "pattern", "mix", "fire" or "cut".',
    ],
    [
      'a strip that never moves on',
      'textures',
      { picture: sampleMod().textures['bank']!.picture, strip: { ticks: 0 } },
      'strip/ticks: This is too small: at least 1.',
    ],
    [
      'a sound for an event that nobody knows',
      'soundSets',
      { wave: [] },
      'wave: There is no key "wave" here.',
    ],
  ])('%s', (_, kind, document, expected) => {
    const found = problems(kind, document);
    expect(found).toContainEqual(expect.stringContaining(expected));
    for (const problem of found) expect(problem).not.toMatch(/undefined|Invalid input/);
  });
});

describe('what is only unwise is let in, for inspection to judge', () => {
  test.each<[string, Kind, unknown]>([
    ['a light of 99', 'blocks', { ...lamp(), traits: { lightEmitted: 99 } }],
    [
      'a default outside its values',
      'blocks',
      { ...lamp(), states: { properties: [{ name: 'x', kind: 'heading', default: 'up' }] } },
    ],
    [
      'a front and a top on one line',
      'blocks',
      {
        ...lamp(),
        looks: { mode: 'one-of', rows: [{ use: [{ model: 'a:b', front: 'up', top: 'down' }] }] },
      },
    ],
    ['a box inside out', 'models', { boxes: [{ at: [0, 0, 0], size: [-1, 1, 1], sides: {} }] }],
    ['a tag that does not exist', 'blocks', { ...lamp(), tags: ['reed_hall:anything'] }],
  ])('%s', (_, kind, document) => expect(problems(kind, document)).toEqual([]));
});

test.each([
  [
    'blocks',
    ['tide_lantern', 'a', 'a1'],
    ['Tide', '1a', 'a-b', 'a/b', '', 'constructor', '__proto__', 'a b'],
  ],
  ['models', ['lantern/lit', 'a', 'a/1'], ['/a', 'a/', 'a//b', '../a', 'a/B', 'constructor']],
  ['words', ['en', 'pt-BR', 'zh-Hant', 'es-419'], ['english', 'EN', 'en_GB', '']],
])('names of %s', (kind, good, bad) => {
  for (const name of good) expect([name, namePatternOf(kind).test(name)]).toEqual([name, true]);
  for (const name of bad) expect([name, namePatternOf(kind).test(name)]).toEqual([name, false]);
});
