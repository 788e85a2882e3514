import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inspectBuilt } from '../../../inspect/index.ts';
import { sampleBuilt } from '../../../inspect/sample.ts';
import type { FileExample } from '../../file-rule.ts';
import { blockPack } from '../index.ts';
import { layout, pathInPack, placeInPack } from '../format/index.ts';
import { readPack } from './index.ts';

/**
 * What is found in the sample pack with something changed, without the notice that it was changed.
 */
const findings = (example: FileExample) =>
  inspectBuilt(blockPack, sampleBuilt(example))
    .filter((finding) => finding.rule !== 'pack/digest-differs')
    .map(
      ({ file, place, severity, rule, message }) =>
        `${file}:${place!.line}:${place!.column} ${severity} ${rule} ${message}`,
    );

test.each<[string, FileExample, string[]]>([
  [
    'a comma too many',
    {
      'rules/tags/blocks/shore.json':
        '{\n  "id": "saltmarsh:shore",\n  "members": ["saltmarsh:bank"],\n}',
    },
    [
      'rules/tags/blocks/shore.json:3:32 error files/malformed-json There is a comma after ' +
        'the last entry. Remove it.',
    ],
  ],
  [
    'a comment',
    {
      'rules/tags/blocks/shore.json':
        '{ "id": "saltmarsh:shore", // mine\n "members": ["saltmarsh:bank"] }',
    },
    [
      'rules/tags/blocks/shore.json:1:28 error files/malformed-json JSON has no comments. ' +
        'Remove this one.',
    ],
  ],
  [
    'a byte order mark',
    {
      'rules/tags/blocks/shore.json':
        '\uFEFF{ "id": "saltmarsh:shore", "members": ["saltmarsh:bank"] }',
    },
    [
      'rules/tags/blocks/shore.json:1:1 error files/malformed-json The file begins with a ' +
        'byte order mark. Save it as UTF-8 without one.',
    ],
  ],
  [
    'a key that the format does not know',
    { 'rules/blocks/bank.json#/hardnes': 2 },
    [
      'rules/blocks/bank.json:16:14 error files/does-not-fit /hardnes: There is no key "hardnes" ' +
        'here.',
    ],
  ],
  [
    'a light of 16',
    { 'rules/blocks/lamp.json#/lightEmitted': [{ value: 16 }] },
    [
      'rules/blocks/lamp.json:7:31 error files/does-not-fit /lightEmitted/0/value: This is too ' +
        'large: at most 15.',
    ],
  ],
  [
    'a folder written a letter off',
    { 'view/looks/bank.json': null, 'view/look/bank.json': '{}' },
    [
      'view/look/bank.json:1:1 warning files/unknown-file Nothing in a Block Pack is kept ' +
        'at this path. Did you mean view/looks/bank.json?',
    ],
  ],
  [
    'capital letters',
    { 'view/models/Bank.json': '{}' },
    [
      'view/models/Bank.json:1:1 warning files/unknown-file Nothing in a Block Pack is kept ' +
        'at this path. Names are lowercase. Did you mean view/models/bank.json?',
    ],
  ],
  [
    'pack.json misnamed',
    { 'pack.json': null, 'pak.json': '{}' },
    [
      'pack.json:1:1 error files/missing The pack has no pack.json.',
      'pak.json:1:1 warning files/unknown-file Nothing in a Block Pack is kept at this ' +
        'path. Did you mean pack.json?',
    ],
  ],
  [
    'a model that was renamed',
    { 'view/looks/bank.json#/rows/0/use/0/model': 'saltmarsh:banc' },
    [
      'view/looks/bank.json:14:33 error looks/model-missing bank: row 1 of the look uses the ' +
        'model saltmarsh:banc, which does not exist. Did you mean saltmarsh:bank?',
      'view/models/bank.json:1:1 hint models/unused No block, item or model uses the model ' +
        'saltmarsh:bank.',
    ],
  ],
  [
    'a texture that was renamed',
    { 'view/models/bank.json#/slots/face': 'saltmarsh:banc' },
    [
      'view/models/bank.json:1:49 error textures/missing The slot face of the model ' +
        'saltmarsh:bank uses the texture saltmarsh:banc, which does not exist. Did you mean ' +
        'saltmarsh:bank?',
      'view/textures/bank.png:1:1 hint textures/unused No model, no item and no fluid uses the texture ' +
        'saltmarsh:bank.',
    ],
  ],
  [
    'a template that does not exist',
    { 'view/models/bank.json#/template': 'saltmarsh:cube' },
    [
      'view/models/bank.json:1:15 error models/template-missing The model saltmarsh:bank starts ' +
        'from the template saltmarsh:cube, which does not exist.',
    ],
  ],
  [
    'an item of another mod is theirs to know',
    { 'rules/loot/bank.json#/draws/0/lots/0/give': 'reed_hall:flute' },
    [],
  ],
  [
    'an item of ours is not',
    { 'rules/loot/bank.json#/draws/0/lots/0/give': 'saltmarsh:flute' },
    [
      'rules/loot/bank.json:1:73 error loot/gives-unknown bank gives saltmarsh:flute, which is ' +
        'no item of the mod.',
    ],
  ],
  [
    'a tag with a member that is gone',
    { 'rules/tags/blocks/shore.json#/members': ['saltmarsh:banks'] },
    [
      'rules/tags/blocks/shore.json:1:40 error tags/member-missing The tag saltmarsh:shore names ' +
        'saltmarsh:banks, which does not exist. Did you mean saltmarsh:bank?',
    ],
  ],
  [
    'a tag in a tag',
    { 'rules/tags/blocks/shore.json#/members': ['#saltmarsh:pick_dug', '#saltmarsh:none'] },
    [
      'rules/tags/blocks/shore.json:1:63 error tags/member-missing The tag saltmarsh:shore names ' +
        '#saltmarsh:none, which does not exist.',
    ],
  ],
  [
    'a strip without its picture',
    { 'view/textures/wave.strip.json': '{ "ticks": 4 }' },
    [
      'view/textures/wave.strip.json:1:1 error pack/reference-missing There is no texture ' +
        'wave.png beside this strip.',
    ],
  ],
  [
    'a sound set with a sound that is gone',
    {
      'view/sounds/sets.json':
        '{ "saltmarsh:mud": { "step": [{ "sound": "saltmarsh:squelch" }] } }',
    },
    [
      'view/sounds/sets.json:1:42 error traits/sound-missing The sound set mud plays ' +
        'saltmarsh:squelch for step, which the mod does not have.',
    ],
  ],
  [
    'a copied file that still speaks of the other block',
    { 'rules/loot/bank.json#/block': 'saltmarsh:lamp' },
    [
      'rules/loot/bank.json:1:12 error pack/id-and-name-disagree The file is called bank, but ' +
        'speaks of saltmarsh:lamp.',
    ],
  ],
  [
    'a state without a look',
    { 'view/looks/lamp.json#/rows/3/when': { heading: 'south', lit: false } },
    [
      'view/looks/lamp.json:14:11 error looks/state-without-row lamp: the state heading = south, ' +
        'lit = true has no look.',
    ],
  ],
  [
    'a property more than the registry knows',
    { 'rules/blocks/bank.json#/properties': [{ name: 'wet', kind: 'toggle', default: false }] },
    [
      'registry.json:4:5 error pack/registry-disagrees registry.json gives saltmarsh:bank 1 states ' +
        'in 0 bits; its properties make 2, which need 1 bits.',
      'rules/blocks/bank.json:12:18 warning states/property-without-effect bank: nothing depends ' +
        'on the property wet.',
      'rules/blocks/bank.json:12:18 hint states/never-set bank: nothing sets wet, so it is always ' +
        'false.',
    ],
  ],
  [
    'a block that is not registered',
    { 'registry.json#/entries/1': { number: 1, kind: 'item', id: 'saltmarsh:bank' } },
    [
      'registry.json:4:5 error registry/gone The registry holds the item bank, which the mod no ' +
        'longer has.',
      'rules/blocks/bank.json:1:1 error registry/not-registered The block bank is not in the ' +
        'registry.',
      'registry.json:5:5 error registry/out-of-order The block saltmarsh:lamp is registered after ' +
        'the first item. Groups come first, then blocks, then fluids, then items.',
    ],
  ],
  [
    'a registered block without its file',
    { 'rules/blocks/bank.json': null },
    [
      'registry.json:4:5 error files/missing registry.json lists the block saltmarsh:bank, but ' +
        'rules/blocks/bank.json is not there.',
    ],
  ],
  [
    'a language without its file',
    { 'pack.json#/languages': ['en', 'de'] },
    [
      'pack.json:11:16 warning pack/language-file-missing The pack speaks de, but ' +
        'view/words/de.json is not there.',
    ],
  ],
  [
    'something else that is called pack.json',
    { 'pack.json': '{ "name": "other" }' },
    [
      'pack.json:1:1 error pack/wrong-edition This is not the pack.json of a Block Pack: ' +
        'its "format" is not "obrank-block-pack".',
    ],
  ],
  [
    'a path out of the pack',
    { 'view/../../x.json': '{}' },
    ['view/../../x.json:1:1 error files/unsafe-path This is a path that leaves the pack.'],
  ],
])('%s', (_, example, expected) => {
  expect(findings(example)).toEqual(expected);
});

test('a file that is not UTF-8 is said to be so', () => {
  const files = sampleBuilt({});
  files.set('rules/tags/blocks/shore.json', new Uint8Array([0x7b, 0xff, 0xfe, 0x7d]));
  expect(readPack(files).problems).toEqual([
    expect.objectContaining({
      rule: 'files/malformed-json',
      message: 'The file is not UTF-8 text. Save it as UTF-8.',
    }),
  ]);
});

test('whatever bytes stand in a file, reading ends with findings and never throws', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...sampleBuilt({}).keys()),
      fc.uint8Array({ maxLength: 60 }),
      fc.nat(400),
      (file, bytes, at) => {
        const files = sampleBuilt({});
        const before = files.get(file)!;
        const from = at % before.length;
        files.set(
          file,
          new Uint8Array([
            ...before.subarray(0, from),
            ...bytes,
            ...before.subarray(from + bytes.length),
          ]),
        );
        const found = inspectBuilt(blockPack, files);
        for (const { message, place } of found) {
          expect(message.length).toBeGreaterThan(5);
          expect(place!.line).toBeGreaterThan(0);
        }
      },
    ),
    { numRuns: 150 },
  ));

test("paths and places are each other's inverse for every kind of file", () => {
  for (const { kind, named, ending } of layout) {
    const free =
      kind === 'words' ? 'pt-BR' : kind === 'new look' ? 'driftwood/plank' : 'tide_lantern';
    const name = typeof named === 'string' ? named : free;
    const path = pathInPack(kind, name, ending);
    expect(placeInPack(path)).toMatchObject({ name, rule: { kind } });
  }
  expect(placeInPack('view/models/lantern/lit.json')).toMatchObject({
    name: 'lantern/lit',
    rule: { kind: 'model' },
  });
  for (const nowhere of [
    '',
    'pack',
    'rules/blocks/.json',
    'rules/blocks/a/b.json',
    'view/models/a//b.json',
    'view/models/A.json',
  ])
    expect(placeInPack(nowhere)).toBeUndefined();
});

test(
  'a pack that was written by hand needs no digests, no state codes and no files that ' +
    'it does not use',
  () => {
    const files = sampleBuilt({
      'pack.json#/files': null,
      'rules/tools.json': null,
      'rules/blocks/bank.json#/tool': undefined,
      'rules/blocks/lamp.json#/tool': undefined,
      'rules/blocks/lamp.json#/gated': false,
      'view/groups.json': null,
      'registry.json#/entries': [
        { number: 1, kind: 'block', id: 'saltmarsh:bank' },
        { number: 2, kind: 'block', id: 'saltmarsh:lamp' },
      ],
      'view/items/bank.json#/group': undefined,
      'view/items/lamp.json#/group': undefined,
      'view/words/en.json#/texts': { 'block.bank': 'Bank', 'block.lamp': 'Lamp' },
      'README.md': 'About the marsh.',
      LICENSE: 'Do as you like.',
      '.gitignore': 'build',
      'code/ids.ts': null,
      'view/sounds/sets.json': null,
    });
    expect(inspectBuilt(blockPack, files).map(({ rule, message }) => `${rule} ${message}`)).toEqual(
      [],
    );
    const broken = sampleBuilt({
      'pack.json': '{',
      'rules/recipes/a.json':
        '{ "kind": "mix", "takes": ["obrank:timber", "obrank:timbre"], "gives": "saltmarsh:bank" }',
    });
    expect(
      inspectBuilt(blockPack, broken)
        .filter(({ rule }) => rule === 'pack/reference-missing')
        .map(({ message }) => message),
    ).toEqual(['obrank:timbre is no stock item of Obrank. Did you mean obrank:timber?']);
  },
);

test('reading tells how far it is, and stops with what it is told to', () => {
  const files = new Map(
    Array.from({ length: 600 }, (_, i) => [`rules/blocks/b${i}.json`, new Uint8Array()] as const),
  );
  const told: [number, number][] = [];
  readPack(files, (done, total) => told.push([done, total]));
  expect(told).toEqual([
    [0, 600],
    [256, 600],
    [512, 600],
  ]);
  expect(() =>
    readPack(files, (done) => {
      if (done) throw new Error('Enough.');
    }),
  ).toThrow('Enough.');
});
