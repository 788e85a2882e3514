import { beforeAll, expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../../../inspect/sample.ts';
import type { Mod } from '../../../mod/index.ts';
import { encodePicture } from '../../../textures/index.ts';
import { blockPack } from '../index.ts';

const png = encodePicture({ width: 1, height: 1, data: new Uint8Array([1, 2, 3, 255]) });
const written = (mod: Mod) => {
  const files = blockPack.write(mod, () => png);
  return (path: string): unknown => {
    const text = new TextDecoder().decode(files.get(path));
    return path.endsWith('.json') && text ? JSON.parse(text) : text;
  };
};
let file: ReturnType<typeof written>;
beforeAll(() => {
  file = written(sampleMod());
});
const withChange = (path: string, value: unknown) =>
  written(withExample(sampleMod(), { [path]: value }));

test(
  'rules of a block: stock filled in, values by state as rows, boxes turned with the ' + 'model',
  () => {
    const shape = [
      { when: { heading: 'north' }, value: [{ at: [4, 0, 0], size: [8, 12, 8] }] },
      { when: { heading: 'east' }, value: [{ at: [8, 0, 4], size: [8, 12, 8] }] },
      { when: { heading: 'south' }, value: [{ at: [4, 0, 8], size: [8, 12, 8] }] },
      { when: { heading: 'west' }, value: [{ at: [0, 0, 4], size: [8, 12, 8] }] },
    ];
    expect(file('rules/blocks/lamp.json')).toEqual({
      id: 'saltmarsh:lamp',
      hardness: 11,
      blastRating: 14,
      tool: { kind: 'pick', leastGrade: 1 },
      gated: true,
      lightEmitted: [{ when: { lit: true }, value: 12 }, { value: 0 }],
      lightAbsorbed: [{ value: 15 }],
      friction: [{ value: 0.6 }],
      catchesFire: 0,
      burnsAway: 0,
      properties: [
        { name: 'heading', kind: 'heading', default: 'south' },
        { name: 'lit', kind: 'toggle', default: false, byCode: true },
      ],
      placement: [{ set: 'heading', to: 'toward the player' }],
      collision: shape,
      outline: shape,
    });
  },
);

test('a look: every front and top said outright, shares only where there is a choice', () => {
  expect(file('view/looks/lamp.json')).toEqual({
    block: 'saltmarsh:lamp',
    mode: 'one-of',
    display: {
      alphaMode: 'opaque',
      hidesNeighbours: 'never',
      joinsOwnKind: false,
      tint: 'none',
      scatter: 0,
      mapColour: '#b0812f',
      shadedCorners: true,
      soundSet: 'obrank:metal',
    },
    rows: [
      { when: { heading: 'north' }, use: [{ model: 'saltmarsh:lamp', front: 'north', top: 'up' }] },
      { when: { heading: 'east' }, use: [{ model: 'saltmarsh:lamp', front: 'east', top: 'up' }] },
      { when: { heading: 'west' }, use: [{ model: 'saltmarsh:lamp', front: 'west', top: 'up' }] },
      { use: [{ model: 'saltmarsh:lamp', front: 'south', top: 'up' }] },
    ],
  });
  const shared = withChange('/blocks/bank/looks/rows/0/use', [
    { model: 'saltmarsh:bank', front: 'up' },
    { model: 'saltmarsh:lamp', share: 3 },
  ]);
  expect((shared('view/looks/bank.json') as { rows: unknown[] }).rows).toEqual([
    {
      use: [
        { model: 'saltmarsh:bank', front: 'up', top: 'north', share: 1 },
        { model: 'saltmarsh:lamp', front: 'south', top: 'up', share: 3 },
      ],
    },
  ]);
  expect(
    (
      withChange('/blocks/bank/traits', { alphaMode: 'mask' })('view/looks/bank.json') as {
        display: object;
      }
    ).display,
  ).toMatchObject({ alphaMode: 'mask', alphaCutoff: 0.5 });
});

test(
  'loot: itself is one sure lot; nothing, on purpose or not said, is a table without ' + 'draws',
  () => {
    expect(file('rules/loot/lamp.json')).toEqual({
      block: 'saltmarsh:lamp',
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }],
    });
    for (const loot of ['nothing', null])
      expect(withChange('/blocks/lamp/loot', loot)('rules/loot/lamp.json')).toEqual({
        block: 'saltmarsh:lamp',
        draws: [],
      });
  },
);

test(
  'tags: the members that the tag names first, then the blocks that say they are in it, ' +
    'each once',
  () => {
    expect(file('rules/tags/blocks/shore.json')).toEqual({
      id: 'saltmarsh:shore',
      members: ['saltmarsh:bank'],
    });
    expect(
      withChange('/blockTags/shore/members', ['reed_hall:pier', 'saltmarsh:bank'])(
        'rules/tags/blocks/shore.json',
      ),
    ).toEqual({ id: 'saltmarsh:shore', members: ['reed_hall:pier', 'saltmarsh:bank'] });
    // A tag of a tool that no block declares is written all the same as soon as a block is in it.
    expect(
      withChange('/blocks/bank/tags', ['saltmarsh:axe_dug', 'reed_hall:wet'])(
        'rules/tags/blocks/axe_dug.json',
      ),
    ).toEqual({ id: 'saltmarsh:axe_dug', members: ['saltmarsh:bank'] });
  },
);

test('items: a block that can be held, a plain item, and none for what cannot be held', () => {
  expect(file('view/items/lamp.json')).toEqual({
    id: 'saltmarsh:lamp',
    form: 'block',
    block: 'saltmarsh:lamp',
    group: 'saltmarsh:shore',
    stack: 50,
  });
  expect(
    withChange('/items/oil', { texture: 'saltmarsh:lamp', stack: 8, names: { en: 'Oil' } })(
      'view/items/oil.json',
    ),
  ).toEqual({ id: 'saltmarsh:oil', form: 'flat', texture: 'saltmarsh:lamp', stack: 8 });
  expect(withChange('/blocks/lamp/identity/item', 'none')('view/items/lamp.json')).toBe('');
});

test(
  "words: groups, blocks and items by key, the mod's own texts last, nothing for a name " +
    'that is missing',
  () => {
    expect(file('view/words/en.json')).toEqual({
      language: 'en',
      texts: { 'group.shore': 'Shore', 'block.bank': 'Bank', 'block.lamp': 'Lamp' },
    });
    const german = written(
      withExample(sampleMod(), {
        '/header/languages': ['en', 'de'],
        '/blocks/lamp/names/de': 'Lampe',
        '/words/de': { texts: { 'mod.summary': 'Am Ufer' } },
      }),
    );
    expect(german('view/words/de.json')).toEqual({
      language: 'de',
      texts: { 'block.lamp': 'Lampe', 'mod.summary': 'Am Ufer' },
    });
  },
);

test(
  'registry: groups before blocks before items, whatever their numbers, and what ' +
    "another mod's tag gets is a file of its own",
  () => {
    const of = written(
      withExample(sampleMod(), {
        '/items/salt': { names: { en: 'Salt' }, tags: ['saltmarsh:dry', 'driftwood:white'] },
        '/itemTags/dry': {},
        '/ledger/entries/0/number': 8,
        '/ledger/entries/3': { number: 0, kind: 'item', name: 'salt' },
      }),
    );
    expect(
      (of('registry.json') as { entries: { number: number; kind: string }[] }).entries.map(
        ({ number, kind }) => `${number} ${kind}`,
      ),
    ).toEqual(['8 group', '1 block', '2 block', '0 item']);
    expect(of('rules/tags/items/dry.json')).toEqual({
      id: 'saltmarsh:dry',
      members: ['saltmarsh:salt'],
    });
    expect(of('rules/tags/items/driftwood/white.json')).toEqual({
      id: 'driftwood:white',
      members: ['saltmarsh:salt'],
    });
  },
);

test(
  'registry: the ledger in the order of its numbers, states and how their codes are ' +
    'laid out, the retired ones listed',
  () => {
    const retired = withChange('/ledger/retired', [
      { number: 9, kind: 'block', name: 'pier', successor: 'saltmarsh:bank' },
    ]);
    expect(retired('registry.json')).toEqual({
      entries: [
        { number: 0, kind: 'group', id: 'saltmarsh:shore' },
        {
          number: 1,
          kind: 'block',
          id: 'saltmarsh:bank',
          states: 1,
          codes: { kind: 'mixed-radix', bits: 0, digits: [] },
        },
        {
          number: 2,
          kind: 'block',
          id: 'saltmarsh:lamp',
          states: 8,
          codes: {
            kind: 'mixed-radix',
            bits: 3,
            digits: [
              { property: 'heading', values: ['north', 'east', 'south', 'west'] },
              { property: 'lit', values: [false, true] },
            ],
          },
        },
      ],
      retired: [{ number: 9, kind: 'block', id: 'saltmarsh:pier', successor: 'saltmarsh:bank' }],
    });
  },
);

test('strips, sounds and sound sets lie where they belong', () => {
  const mod = withExample(sampleMod(), {
    '/textures/bank/strip': { ticks: 4 },
    '/sounds/mud~1step': { sha256: 'a'.repeat(64), bytes: 1, format: 'wav' },
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:mud/step' }] },
  });
  const of = written(mod);
  expect(of('view/textures/bank.strip.json')).toEqual({ ticks: 4 });
  expect(of('view/sounds/sets.json')).toEqual({
    'saltmarsh:mud': { step: [{ sound: 'saltmarsh:mud/step' }] },
  });
  expect(blockPack.write(mod, () => png).get('view/sounds/mud/step.wav')).toEqual(png);
});

test('pack.json names every other file with its length and digest', () => {
  const { files, ...rest } = file('pack.json') as { files: Record<string, { bytes: number }> };
  expect(rest).toMatchObject({
    format: 'obrank-block-pack',
    edition: 1,
    namespace: 'saltmarsh',
    texels: 16,
    tickRate: 20,
  });
  expect(Object.keys(files)).toEqual(
    [...blockPack.write(sampleMod(), () => png).keys()]
      .filter((path) => path !== 'pack.json')
      .sort(),
  );
  expect(files['view/textures/bank.png']).toEqual({
    bytes: png.length,
    sha256: expect.stringMatching(/^[0-9a-f]{64}$/),
  });
});

test('functions that reactions run are typed in the code, each once', () => {
  const run = (name: string) => ({ when: 'used', then: [{ do: 'run', function: name }] });
  const code = withChange('/blocks/bank/reactions', [run('ebb'), run('flow'), run('ebb')])(
    'code/ids.ts',
  ) as string;
  expect(code).toContain(
    'export interface ReactionFunctions {\n' +
      '  ebb(answered: Answered): void;\n' +
      '  flow(answered: Answered): void;\n}',
  );
});

test('a title cannot break out of the comment in the code', () => {
  const code = withChange('/header/title', 'Salt\nexport const x = 1;')('code/ids.ts') as string;
  expect(code.split('\n')[0]).toBe(
    '// Made by Obrank from Salt export const x = 1; 0.1.0. What is changed here by hand stays.',
  );
});

test(
  'codes that the ledger holds are written as they are held, placing and turning with ' +
    'the block, upright with the candidate',
  () => {
    const codes = {
      kind: 'bit-fields',
      bits: 3,
      fields: [
        { property: 'heading', values: ['south', 'north', 'east', 'west'], at: 0, width: 2 },
        { property: 'lit', values: [false, true], at: 2, width: 1 },
      ],
    };
    const corner = {
      name: 'corner',
      kind: 'choice',
      values: ['left', 'right'],
      default: 'left',
      mirrored: { left: 'right', right: 'left' },
    };
    const of = written(
      withExample(sampleMod(), {
        '/ledger/entries/2/codes': codes,
        '/blocks/bank/states': {
          properties: [corner],
          placing: [
            {
              set: 'corner',
              to: 'crouching',
              value: 'right',
              otherwise: 'left',
              when: { clicked: ['north', 'up'] },
            },
          ],
        },
        '/blocks/bank/looks/rows/0/use/0/upright': true,
        '/blocks/lamp/looks/rows/0/use/0/upright': false,
      }),
    );
    expect((of('registry.json') as { entries: unknown[] }).entries[2]).toEqual({
      number: 2,
      kind: 'block',
      id: 'saltmarsh:lamp',
      states: 8,
      codes,
    });
    expect(of('rules/blocks/bank.json')).toMatchObject({
      properties: [corner],
      placement: [
        {
          set: 'corner',
          to: 'crouching',
          value: 'right',
          otherwise: 'left',
          when: { clicked: ['north', 'up'] },
        },
      ],
    });
    expect((of('view/looks/bank.json') as { rows: { use: unknown[] }[] }).rows[0]!.use).toEqual([
      { model: 'saltmarsh:bank', front: 'south', top: 'up', upright: true },
    ]);
    expect((of('view/looks/lamp.json') as { rows: { use: unknown[] }[] }).rows[0]!.use).toEqual([
      { model: 'saltmarsh:lamp', front: 'north', top: 'up' },
    ]);
  },
);

test('a layered look collides with all of its layers, each turned as it is drawn', () => {
  const of = written(
    withExample(sampleMod(), {
      '/blocks/lamp/looks': {
        mode: 'layered',
        rows: [
          { use: [{ model: 'saltmarsh:lamp' }] },
          { when: { lit: true }, use: [{ model: 'saltmarsh:lamp', front: 'north' }] },
        ],
      },
    }),
  );
  expect((of('rules/blocks/lamp.json') as { collision: unknown }).collision).toEqual([
    { when: { lit: false }, value: [{ at: [4, 0, 8], size: [8, 12, 8] }] },
    {
      when: { lit: true },
      value: [
        { at: [4, 0, 8], size: [8, 12, 8] },
        { at: [4, 0, 0], size: [8, 12, 8] },
      ],
    },
  ]);
});
