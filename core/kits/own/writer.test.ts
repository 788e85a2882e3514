import { describe, expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../../inspect/sample.ts';
import { OwnKitSchema, type KitFileRule } from '../../mod/index.ts';
import { kitFrom, KitError, placed } from './index.ts';

const png = new Uint8Array([1, 2, 3]);
const kitOf = (
  files: readonly Partial<KitFileRule>[],
  texts: Record<string, string> = {},
  more: object = {},
) =>
  kitFrom(
    'tidal',
    OwnKitSchema.parse({ model: 1, title: 'Tidal', ...more, files }),
    new Map(Object.entries(texts)),
  );
const written = (
  files: readonly Partial<KitFileRule>[],
  texts: Record<string, string> = {},
  mod = sampleMod(),
): Record<string, string> =>
  Object.fromEntries(
    [...kitOf(files, texts).write(mod, () => png)].map(([path, bytes]) => [
      path,
      new TextDecoder().decode(bytes),
    ]),
  );
const refused = (files: readonly Partial<KitFileRule>[], texts: Record<string, string> = {}) => {
  try {
    written(files, texts);
    return 'It was written.';
  } catch (error) {
    if (!(error instanceof KitError)) throw error;
    return placed(error.problem);
  }
};

test('files are written for what their rule says, in the order of their paths', () => {
  expect(
    written(
      [
        { for: 'state', path: 's/{{ block.name }}/{{ state.code }}.txt', template: 'state' },
        { for: 'mod', path: 'all.txt', template: 'all' },
        { for: 'texture', path: 't/{{ texture.name }}.png', copy: true },
        { for: 'block', path: '{% if block.name == "bank" %}only.txt{% endif %}', template: 'one' },
        { for: 'block', path: '{{ block.name }}.none', template: 'blank' },
      ],
      {
        state: '{{ state.key }}',
        all: '{{ mod.blocks | map: "name" | join: " " }}',
        one: 'x',
        blank: ' \n',
      },
    ),
  ).toEqual({
    'all.txt': 'bank lamp',
    'only.txt': 'x',
    's/lamp/0.txt': 'heading=north,lit=false',
    's/lamp/1.txt': 'heading=north,lit=true',
    's/lamp/2.txt': 'heading=east,lit=false',
    's/lamp/3.txt': 'heading=east,lit=true',
    's/lamp/4.txt': 'heading=south,lit=false',
    's/lamp/5.txt': 'heading=south,lit=true',
    's/lamp/6.txt': 'heading=west,lit=false',
    's/lamp/7.txt': 'heading=west,lit=true',
    ...Object.fromEntries(
      Object.keys(sampleMod().textures).map((name) => [`t/${name}.png`, '\u0001\u0002\u0003']),
    ),
  });
});

describe('what cannot be written ends in a sentence with its place', () => {
  test.each([
    ['../../up.txt', /^kit\.json#\/files\/0\/path "\.\.\/\.\.\/up\.txt" is /],
    ['/etc/passwd', /^kit\.json#\/files\/0\/path "\/etc\/passwd" is /],
    ['a\\b.txt', /^kit\.json#\/files\/0\/path /],
    ['.hidden/a.txt', /is hidden: a part of it begins with a dot\.$/],
    [
      '{{ blok.name }}.txt',
      /^kit\.json#\/files\/0\/path There is no "blok" here\. Did you mean block\?$/,
    ],
    ['{% for i in (1..99) %}{{ block.name }}/{% endfor %}.txt', /longer than 400 letters\.$/],
    [
      'same.txt',
      /^kit\.json#\/files\/0\/path Both block bank and block lamp want the file same\.txt\.$/,
    ],
  ])('%s', (path, told) => {
    expect(refused([{ for: 'block', path, template: 'x' }], { x: 'x' })).toMatch(told);
  });

  test('paths that differ in letter case alone are one file to some systems', () => {
    const path = '{% if block.name == "bank" %}A{% else %}a{% endif %}.txt';
    expect(refused([{ for: 'block', path, template: 'x' }], { x: 'x' })).toMatch(
      /Both block bank and block lamp want the file a\.txt\.$/,
    );
  });

  test('a template that is not there', () =>
    expect(refused([{ for: 'mod', path: 'a', template: 'b' }])).toBe(
      'kit.json#/files/0/template The kit has no file "b".',
    ));

  test('a mistake in what was written is told at the part of the template that wrote it', () => {
    expect(
      refused([{ for: 'block', path: '{{ block.name }}.json', template: 'b' }], {
        b: '{\n  "name": {{ block.name }},\n  "x": 1\n}\n',
      }),
    ).toMatch(
      /^b:2:11 What it writes for block bank cannot be read as JSON: bank\.json, line 2, column \d+: .+\.$/,
    );
    expect(
      refused([{ for: 'block', path: 'x', template: 'b', is: 'xml' }], {
        b: '<a>{% render "part" %}</a>',
        part: '\n<b>',
      }),
    ).toMatch(/^(b:1|part:2):\d+ What it writes for block bank cannot be read as XML: x, line 2/);
  });
});

test('what a block brings along is written for it alone, and a mistake stands in its file', () => {
  const kit = kitOf(
    [
      { for: 'block', path: 'b/{{ block.name }}', template: 'b' },
      { for: 'loot', path: 'l/{{ loot.name }}', template: 'l' },
      { for: 'model', path: 'm/{{ model.name }}', template: 'm' },
      { for: 'mod', path: 'all', template: 'b' },
    ],
    { b: '{{ block.name }}', l: '{{ loot.nothing }}', m: '{{ model.name }}' },
  );
  expect([...kit.writeBlock(sampleMod(), 'lamp')]).toEqual([
    ['b/lamp', 'lamp'],
    ['l/lamp', expect.stringMatching(/^l:1:4 There is no "loot\.nothing" here\./)],
    ['m/lamp', 'lamp'],
  ]);
});

test('limits that are not said have no bound; ways to stand are those that the angles reach', () => {
  const limits = (said: object) => kitOf([], {}, { limits: said }).limits;
  expect(limits({})).toMatchObject({ states: 65_536, stateCodeBits: 32, boxes: 4096 });
  expect(limits({})).not.toHaveProperty('orientations');
  expect(limits({ orientations: 24 })).not.toHaveProperty('orientations');
  expect(limits({ orientations: 4 }).orientations).toHaveLength(4);
  expect(limits({ orientations: { about: ['x', 'y'] } }).orientations).toHaveLength(16);
});

test('the same mod gives the same bytes, whatever the order of its keys', () => {
  const mod = sampleMod();
  const turned = {
    ...mod,
    blocks: Object.fromEntries(Object.entries(mod.blocks).reverse()),
  };
  const rules = [{ for: 'mod', path: 'a', template: 'a' }] as const;
  const texts = { a: '{{ mod.blocks | json }}' };
  expect(written(rules, texts, turned)).toEqual(written(rules, texts, mod));
});

test('a picture that the mod does not have is not copied', () => {
  expect(written([{ for: 'mod', path: 'p.png', copy: true }])).toEqual({});
  const pictured = withExample(sampleMod(), {
    '/header/picture': { ...Object.values(sampleMod().textures)[0]!.picture },
  });
  expect(Object.keys(written([{ for: 'mod', path: 'p.png', copy: true }], {}, pictured))).toEqual([
    'p.png',
  ]);
});
