import { expect, test } from '@jest/globals';
import { readFolder } from '../../disk/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { expandFamilies } from '../families/index.ts';
import { readModFolder, writeModFolder } from './index.ts';
import { BlockSchema, ModSchema, resolveBlock, schemaProblems, titleOf } from '../mod/index.ts';

const text = (words: string) => new TextEncoder().encode(words);
const demo = () => readFolder('demo/saltmarsh');

test('the demo mod reads without a problem, fits the schema and has no finding', async () => {
  const { mod, problems } = readModFolder(await demo());
  expect(problems).toEqual([]);
  expect(ModSchema.safeParse(mod).error).toBeUndefined();
  expect(inspect(expandFamilies(mod))).toEqual([]);
  expect(Object.keys(mod.blocks)).toEqual([
    'driftwood_chair',
    'driftwood_door',
    'drying_rack',
    'kelp_pane',
    'reed_fence',
    'reed_thatch',
    'salt_crust',
    'salt_oven',
    'samphire',
    'samphire_sprout',
    'sluice_gate',
    'sluice_lever',
    'tide_gauge',
    'tide_lantern',
  ]);
  expect(Object.keys(mod.families)).toEqual(['metals', 'oyster']);
});

test('what a build carries along lies in kept/, and says itself what it is', async () => {
  const { mod, blobs } = readModFolder(await demo());
  const note = text('By hand.');
  const files = writeModFolder(mod, (sha256) => blobs.get(sha256)!)
    .set('kept/README.md', note)
    .set('kept/docs/.hidden', text(''));
  const read = readModFolder(files);
  expect(read.problems).toEqual([]);
  expect(Object.keys(read.mod.header.kept!)).toEqual(['README.md', 'docs/.hidden']);
  const all = (sha256: string) => read.blobs.get(sha256)!;
  const again = writeModFolder(read.mod, all);
  expect([...again.keys()].sort()).toEqual([...files.keys()].sort());
  expect(new TextDecoder().decode(again.get('mod.json'))).not.toContain('README');
  // What mod.json claims of files that are not there is nothing.
  const header = JSON.parse(new TextDecoder().decode(again.get('mod.json'))) as object;
  const kept = { 'gone.md': { sha256: '0'.repeat(64), bytes: 3 } };
  const claimed = new Map(again)
    .set('mod.json', text(JSON.stringify({ ...header, kept })))
    .set('kept/README.md', text('Changed.'));
  expect(Object.keys(readModFolder(claimed).mod.header.kept!)).toEqual([
    'README.md',
    'docs/.hidden',
  ]);
});

test('more kept files than a mod can have are told, and none is kept', () => {
  const files = new Map(writeModFolder(sampleMod(), () => new Uint8Array()));
  for (let i = 0; i <= 500; i += 1) files.set(`kept/${i}.txt`, text(`${i}`));
  const { mod, problems } = readModFolder(files);
  expect(problems.map(({ message }) => message)).toContain('In kept/: keep at most 500 files.');
  expect(mod.header.kept).toBeUndefined();
});

test('a mod written as a folder reads back as the same mod', async () => {
  const { mod, blobs } = readModFolder(await demo());
  const again = readModFolder(writeModFolder(mod, (sha256) => blobs.get(sha256)!));
  expect(again.mod).toEqual(mod);
  expect(again.problems).toEqual([]);
});

test(
  'a sound that cannot be read is told at its file, whatever its name says, and the mod ' +
    'is read all the same',
  async () => {
    const files = await demo();
    files.set('sounds/crust/step.wav', text('RIFF and no more'));
    files.set('sounds/drip.ogg', (await demo()).get('sounds/crust/break.wav')!);
    const { mod, placeOf } = readModFolder(files);
    expect(mod.sounds['crust/step']!.problem).toBe('This is neither a WAV nor an Ogg file.');
    expect(mod.sounds['drip']!.problem).toBe('It is named .ogg, but it is a WAV file.');
    expect(placeOf('/sounds/drip')).toEqual({
      file: 'sounds/drip.ogg',
      place: { line: 1, column: 1 },
    });
    expect(inspect(expandFamilies(mod)).map((finding) => finding.rule)).toEqual([
      'traits/sound-unreadable',
      'traits/sound-unreadable',
      'traits/sound-unused',
    ]);
    expect(mod.sounds['crust/break']).toMatchObject({
      format: 'wav',
      channels: 1,
      rate: 22_050,
      clipped: false,
    });
  },
);

test('what is wrong in a folder is told with file, line and column, and the rest is read', async () => {
  const files = await demo();
  files.set('blocks/salt_crust.json', text('{\n  "identity": {},\n}'));
  files.set(
    'blocks/reed_thatch.json',
    text(
      JSON.stringify(
        {
          identity: {},
          traits: { hardnes: 3 },
          states: { properties: [] },
          looks: { mode: 'one of', rows: [] },
          tags: [],
          names: {},
        },
        null,
        1,
      ),
    ),
  );
  files.set('textures/salt.png', text('GIF89a, no PNG'));
  files.set('block/brine.json', text('{}'));
  files.set('blocks/Brine.json', text('{}'));
  const { mod, problems } = readModFolder(files);
  expect(Object.keys(mod.blocks)).toEqual([
    'driftwood_chair',
    'driftwood_door',
    'drying_rack',
    'kelp_pane',
    'reed_fence',
    'salt_oven',
    'samphire',
    'samphire_sprout',
    'sluice_gate',
    'sluice_lever',
    'tide_gauge',
    'tide_lantern',
  ]);
  const told = problems.map(
    ({ file, rule, place, message }) => `${file}:${place.line}:${place.column} ${rule} ${message}`,
  );
  expect(told).toEqual([
    'block/brine.json:1:1 files/unknown-file Nothing in a mod folder is kept at this ' +
      'path. Did you mean blocks?',
    'blocks/Brine.json:1:1 files/unknown-file The name "Brine" is not allowed: use ' +
      'lowercase letters, digits and underscores, beginning with a letter.',
    'blocks/reed_thatch.json:4:14 files/does-not-fit /traits/hardnes: There is no key ' +
      '"hardnes" here. Did you mean "hardness"?',
    'blocks/reed_thatch.json:10:11 files/does-not-fit /looks/mode: This must be "one-of" ' +
      'or "layered". Did you mean "one-of"?',
    'blocks/salt_crust.json:2:17 files/malformed-json There is a comma after the last ' +
      'entry. Remove it.',
    'textures/salt.png:1:1 textures/unreadable This is not a PNG: its first bytes are ' +
      'those of another kind of file.',
  ]);
});

test('a folder of an earlier edition is read as the current one; of a newer one nothing is', async () => {
  const files = await demo();
  const header = new TextDecoder().decode(files.get('mod.json'));
  const earlier = new Map(
    [...files].map(([file, bytes]) => [
      file,
      // There were no families then.
      file.endsWith('.json') && !file.startsWith('families/')
        ? text(new TextDecoder().decode(bytes).replaceAll('"natural":', '"found":'))
        : bytes,
    ]),
  );
  earlier.set('mod.json', text(header.replace('"edition": 2,', '')));
  const read = readModFolder(earlier);
  expect(read.problems).toEqual([]);
  expect(read.mod).toEqual(readModFolder(files).mod);

  files.set('mod.json', text(header.replace('"edition": 2,', '"edition": 999,')));
  const { problems, mod } = readModFolder(files);
  expect(problems.map(({ file, message }) => [file, message])).toEqual([
    ['mod.json', expect.stringMatching(/newer Obrank.*edition 999/)],
  ]);
  expect(mod.blocks).toEqual({});
});

test('a folder without mod.json says that it is no mod', () =>
  expect(readModFolder(new Map()).problems[0]!.message).toMatch(/no mod\.json/));

test('a missing key and a wrong kind of value are named in words', () => {
  const problems = schemaProblems(
    BlockSchema.safeParse(
      {
        identity: {},
        traits: { gated: 'yes', lightEmitted: 'bright' },
        states: {},
        looks: { mode: 'one-of', rows: [] },
        tags: [],
        names: { EN: 'x' },
      },
      { reportInput: true },
    ).error!,
  );
  expect(problems.map(({ path, message }) => `${path.join('/')}: ${message}`)).toEqual([
    'traits/gated: This must be true or false.',
    'traits/lightEmitted: This must be a number or a list in [ ].',
    'states/properties: "properties" is missing: a list in [ ] belongs here.',
    'names/EN: The key "EN" is not allowed: use a BCP 47 language tag such as en, de or pt-BR.',
  ]);
  expect(problems.map(({ message }) => message).join(' ')).not.toMatch(/undefined|Invalid/);
});

test('a block is resolved once for as long as it stays the same', () => {
  const mod = sampleMod();
  const lamp = mod.blocks['lamp']!;
  expect(resolveBlock(mod, 'lamp', lamp)).toBe(resolveBlock(mod, 'lamp', lamp));
  expect(resolveBlock(mod, 'lamp', lamp).traits.hardness).toBe(11);
  expect(resolveBlock(mod, 'lamp', { ...lamp, traits: { hardness: 2 } }).traits.hardness).toBe(2);
  expect(titleOf(mod, 'salt_pan', {})).toBe('salt pan');
});

test(
  'recipes, loot tables, items, tags and releases lie in files of their own, and read ' +
    'back as they were',
  () => {
    const mod = {
      ...sampleMod(),
      textures: {},
      items: {
        chisel: { names: { en: 'Chisel' }, tool: { kind: 'pick' as const, grade: 1 }, stack: 1 },
        pail: {
          names: {},
          bucket: { of: 'saltmarsh:bank', empty: 'saltmarsh:chisel' },
          natural: true,
          tags: ['saltmarsh:wet'],
        },
      },
      itemTags: { wet: { note: 'Wet.', members: ['driftwood:sponge'] } },
      recipes: {
        bank: { kind: 'mix' as const, takes: ['#saltmarsh:wet'], gives: 'saltmarsh:bank' },
        lamp: {
          kind: 'pattern' as const,
          pattern: ['ab', ' a'],
          keys: { a: 'saltmarsh:bank', b: 'obrank:glass' },
          mirrored: false,
          gives: 'saltmarsh:lamp',
          count: 2,
        },
        ash: {
          kind: 'fire' as const,
          takes: 'saltmarsh:bank',
          gives: 'saltmarsh:lamp',
          seconds: 2.5,
          reward: 0.2,
        },
        chip: {
          kind: 'cut' as const,
          takes: 'saltmarsh:lamp',
          choices: [{ gives: 'saltmarsh:bank', count: 3 }],
        },
      },
      lootTables: {
        finds: {
          note: 'What turns up.',
          draws: [
            {
              times: { tries: 2, chance: 0.5 },
              lots: [
                {
                  give: 'saltmarsh:bank',
                  luck: 1,
                  share: 2,
                  when: { not: { all: [{ blast: true }, { chance: 0.1 }] } },
                },
              ],
            },
          ],
        },
      },
      ledger: {
        ...sampleMod().ledger,
        releases: [
          {
            version: '0.1.0',
            on: '2026-03-31',
            counts: { groups: 1, blocks: 2, items: 0 },
            entries: [{ number: 1, kind: 'block' as const, name: 'bank' }],
          },
        ],
        retired: [
          { number: 7, kind: 'item' as const, name: 'oar', lost: true, formerly: ['paddle'] },
        ],
      },
    };
    const files = writeModFolder(mod, () => new Uint8Array());
    expect([...files.keys()]).toEqual(
      expect.arrayContaining([
        'items/chisel.json',
        'loot/finds.json',
        'recipes/chip.json',
        'tags/items/wet.json',
        'ledger.json',
      ]),
    );
    const { mod: back, problems, placeOf } = readModFolder(files);
    expect(problems).toEqual([]);
    expect(back).toEqual(mod);
    expect(placeOf('/lootTables/finds/draws/0/lots/0/when')).toMatchObject({
      file: 'loot/finds.json',
    });
  },
);

test('from which picture another one was made lies beside it, and comes back', async () => {
  const { mod, blobs } = readModFolder(await demo());
  const files = writeModFolder(mod, (sha256) => blobs.get(sha256)!);
  const toned = { from: 'saltmarsh:seam/brack', was: '1'.repeat(64), gave: '2'.repeat(64) };
  const file = 'textures/oven/side.toned.json';
  const read = readModFolder(files.set(file, text(JSON.stringify(toned))));
  expect(read.mod.textures['oven/side']!.toned).toEqual(toned);
  const again = writeModFolder(read.mod, (sha256) => read.blobs.get(sha256)!);
  expect(JSON.parse(new TextDecoder().decode(again.get(file)))).toEqual(toned);
});

test('how a picture was made lies beside it, comes back, and is judged', async () => {
  const { mod, blobs } = readModFolder(await demo());
  const made = {
    pattern: 'brick',
    texels: 16,
    seed: 7,
    tones: ['#111111', '#eeeeee'],
    amounts: {},
  };
  const file = 'textures/oven/side.made.json';
  const files = writeModFolder(mod, (sha256) => blobs.get(sha256)!);
  expect(files.has(file)).toBe(false);
  const read = readModFolder(files.set(file, text(JSON.stringify(made))));
  expect(read.problems).toEqual([]);
  expect(read.mod.textures['oven/side']!.made).toEqual(made);
  const again = writeModFolder(read.mod, (sha256) => read.blobs.get(sha256)!);
  expect(JSON.parse(new TextDecoder().decode(again.get(file)))).toEqual(made);
  const wrong = readModFolder(files.set(file, text(JSON.stringify({ ...made, tones: ['red'] }))));
  expect(wrong.problems.map(({ file: at, message }) => [at, message])).toEqual([
    [file, expect.stringContaining('use a colour such as #d8cba0')],
    [file, expect.stringContaining('/tones')],
  ]);
});
