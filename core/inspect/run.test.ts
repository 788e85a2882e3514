import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pointer, valueAt } from '../json/index.ts';
import { engineKit } from '../kits/index.ts';
import { applyChange, type Mod } from '../mod/index.ts';
import { inspect, inspectModFolder, tally } from './index.ts';
import { facetOf } from './finding.ts';
import { sampleMod } from './sample.ts';
import { readFolder } from '../../disk/index.ts';

const steps: [(string | number)[], unknown[]][] = [
  [
    ['blocks', 'lamp', 'traits', 'toolKind'],
    ['none', 'pick', 'axe'],
  ],
  [
    ['blocks', 'lamp', 'traits', 'gated'],
    [true, false, undefined],
  ],
  [
    ['blocks', 'lamp', 'tags'],
    [[], ['saltmarsh:pick_dug']],
  ],
  [
    ['blocks', 'lamp', 'identity', 'item'],
    ['block', undefined],
  ],
  [
    ['blocks', 'bank', 'traits', 'alphaMode'],
    ['mask', 'opaque'],
  ],
  [
    ['blocks', 'bank', 'loot'],
    ['itself', undefined, { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] }],
  ],
  [
    ['textures', 'lamp', 'picture', 'alpha'],
    ['none', 'holes'],
  ],
  [
    ['models', 'lamp', 'boxes'],
    [
      [
        ...sampleMod().models['lamp']!.boxes!,
        { at: [6, 12, 8], size: [4, 2, 4], sides: { bottom: { slot: 'metal' } } },
      ],
      sampleMod().models['lamp']!.boxes,
    ],
  ],
  [
    ['models', 'lamp', 'template'],
    ['saltmarsh:bank', undefined],
  ],
  [
    ['models', 'bank'],
    [
      { template: 'obrank:slab', slots: { side: 'saltmarsh:bank', end: 'saltmarsh:bank' } },
      { template: 'obrank:cube', slots: { face: 'saltmarsh:bank' } },
    ],
  ],
  [
    ['textures', 'bank', 'picture', 'alpha'],
    ['holes', 'none'],
  ],
  [
    ['header', 'groups'],
    [[], [{ name: 'shore', names: { en: 'Shore' } }]],
  ],
  [
    ['soundSets', 'metal'],
    [{}, undefined],
  ],
  [
    ['blocks', 'lamp', 'traits', 'soundSet'],
    ['saltmarsh:metal', undefined],
  ],
];
const lots = (lot: object) => ({ draws: [{ times: 1, lots: [lot] }] });
const making: typeof steps = [
  [
    ['items', 'oil'],
    [
      {
        names: { en: 'Oil' },
        natural: true,
        group: 'shore',
        texture: 'saltmarsh:lamp',
        tags: ['saltmarsh:wet'],
      },
      { names: {}, tool: { kind: 'pick', grade: 7 } },
      undefined,
    ],
  ],
  [
    ['itemTags', 'wet'],
    [{}, { members: ['saltmarsh:bank', '#saltmarsh:wet'] }, undefined],
  ],
  [
    ['blocks', 'lamp', 'itemTags'],
    [['saltmarsh:wet'], undefined],
  ],
  [
    ['blocks', 'bank', 'tags'],
    [['saltmarsh:spade_dug'], ['driftwood:soft']],
  ],
  [
    ['recipes', 'a'],
    [
      { kind: 'mix', takes: ['#saltmarsh:wet'], gives: 'saltmarsh:lamp', count: 2 },
      { kind: 'fire', takes: 'saltmarsh:oil', gives: 'saltmarsh:bank', seconds: 4 },
      undefined,
    ],
  ],
  [
    ['recipes', 'b'],
    [
      { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank' },
      { kind: 'cut', takes: 'saltmarsh:bank', choices: [{ gives: 'saltmarsh:oil', count: 3 }] },
      undefined,
    ],
  ],
  [
    ['lootTables', 'finds'],
    [lots({ give: 'saltmarsh:oil' }), lots({ table: 'saltmarsh:finds' }), undefined],
  ],
  [
    ['blocks', 'lamp', 'loot'],
    [
      'itself',
      lots({ table: 'saltmarsh:finds' }),
      lots({ give: 'saltmarsh:bank', when: { any: [{ tool: 'axe' }] } }),
      undefined,
    ],
  ],
  [
    ['blocks', 'bank', 'identity', 'natural'],
    [true, undefined],
  ],
  [
    ['words', 'en'],
    [{ texts: { 'block.oil': 'Oil', 'ui.full': '{count}' } }, undefined],
  ],
  [
    ['header', 'needs'],
    [[{ namespace: 'driftwood' }], undefined],
  ],
  [
    ['ledger', 'releases'],
    [
      [
        {
          version: '0.1.0',
          on: '2026-03-31',
          counts: { groups: 0, blocks: 1, items: 0 },
          entries: [{ number: 9, kind: 'block', name: 'bank' }],
        },
      ],
      undefined,
    ],
  ],
];
const anyStep = fc
  .constantFrom(...steps, ...making, ...making)
  .chain(([at, values]) => fc.record({ at: fc.constant(at), after: fc.constantFrom(...values) }));

test('after any edits, inspecting what changed finds the same as inspecting everything anew', () =>
  fc.assert(
    fc.property(fc.array(anyStep, { maxLength: 10 }), (edits) => {
      let mod = sampleMod();
      inspect(mod);
      for (const { at, after } of edits) {
        const path = pointer(at);
        mod = applyChange<Mod>(mod, { path, before: valueAt(mod, path), after });
        expect(inspect(mod)).toEqual(inspect(structuredClone(mod)));
      }
    }),
    { numRuns: 90 },
  ));

test('the same for a target that looks at models and sounds itself', () =>
  fc.assert(
    fc.property(fc.array(anyStep, { maxLength: 6 }), (edits) => {
      const sample = sampleMod();
      let mod: Mod = { ...sample, header: { ...sample.header, kit: engineKit.name } };
      inspect(mod);
      for (const { at, after } of edits) {
        const path = pointer(at);
        mod = applyChange<Mod>(mod, { path, before: valueAt(mod, path), after });
        expect(inspect(mod)).toEqual(inspect(structuredClone(mod)));
      }
    }),
    { numRuns: 30 },
  ));

test('two mods under one header are each inspected as they are, in turn', () => {
  const one = sampleMod();
  const other = { ...one, blocks: { bank: one.blocks['bank']! }, models: {} };
  for (const mod of [one, other, one, other])
    expect(inspect(mod)).toEqual(inspect(structuredClone(mod)));
});

test('findings come gravest first and are counted', () => {
  const mod = sampleMod();
  mod.blocks['lamp'] = {
    ...mod.blocks['lamp']!,
    names: {},
    tags: [],
    looks: { mode: 'one-of', rows: [] },
  };
  const found = inspect(mod);
  const { error, warning, hint } = tally(found);
  expect(error + warning + hint).toBe(found.length);
  expect(found.map((finding) => finding.severity)).toEqual([
    ...Array<string>(error).fill('error'),
    ...Array<string>(warning).fill('warning'),
    ...Array<string>(hint).fill('hint'),
  ]);
  expect(['models/x', 'recipes/x', 'pack/x', 'loot/x'].map(facetOf)).toEqual([
    'Looks',
    'Loot',
    'Registry',
    'Loot',
  ]);
});

test('a block of a million states is a finding, quickly and in little memory', () => {
  const mod = sampleMod();
  const number = (name: string) => ({
    name,
    kind: 'number' as const,
    min: 0,
    max: 999,
    default: 0,
  });
  mod.blocks['lamp'] = {
    ...mod.blocks['lamp']!,
    states: { properties: [number('a'), number('b')] },
  };
  const before = process.memoryUsage().heapUsed;
  expect(inspect(mod).map((finding) => finding.rule)).toContain('states/too-many-states');
  expect(process.memoryUsage().heapUsed - before).toBeLessThan(200 * 1024 * 1024);
});

test(
  'a mod folder is inspected as files, as a declaration, and as the pack that it ' + 'becomes',
  async () => {
    const files = await readFolder('demo/saltmarsh');
    expect(inspectModFolder(files)).toEqual([]);
    const lantern = new TextDecoder()
      .decode(files.get('blocks/tide_lantern.json'))
      .replace(
        '"model": "saltmarsh:lantern/dark", "front": "north"',
        '"model": "saltmarsh:lantern/drak", "front": "north"',
      );
    files.set('blocks/tide_lantern.json', new TextEncoder().encode(lantern));
    const [found] = inspectModFolder(files);
    expect(found).toMatchObject({
      rule: 'looks/model-missing',
      severity: 'error',
      file: 'blocks/tide_lantern.json',
      place: { line: 37 },
    });
    expect(found!.message).toMatch(/Did you mean saltmarsh:lantern\/dark\?/);
  },
);

test('a picture that gets holes is seen through: what it covered is no longer hidden', () => {
  const lid = { at: [6, 12, 8], size: [4, 2, 4], sides: { bottom: { slot: 'metal' } } };
  const before = sampleMod();
  const lamp = before.models['lamp']!;
  const mod = applyChange(before, {
    path: '/models/lamp/boxes',
    before: lamp.boxes,
    after: [...lamp.boxes!, lid],
  });
  const hidden = (of: Mod) => inspect(of).filter(({ rule }) => rule === 'models/face-never-seen');
  expect(hidden(mod)).toHaveLength(1);
  const path = '/textures/lamp/picture/alpha';
  expect(hidden(applyChange(mod, { path, before: 'none', after: 'holes' }))).toEqual([]);
});
