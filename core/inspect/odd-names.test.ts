import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Files } from '../bytes/index.ts';
import { readModFolder, writeModFolder } from '../folder/index.ts';
import { parseJson, printJson } from '../json/index.ts';
import { kitNamed } from '../kits/index.ts';
import { blockPack } from '../kits/block-pack/index.ts';
import { readPack } from '../kits/block-pack/read/index.ts';
import { resolveBlocks, schemaProblems, ModSchema, type Mod } from '../mod/index.ts';
import { encodePicture } from '../textures/index.ts';
import { readCsv, writeCsv } from '../table/index.ts';
import { readTexts, writePo } from '../texts/index.ts';
import { inspect, inspectModFolder, inspectBuilt, rules } from './index.ts';
import { sampleMod, withExample } from './sample.ts';

const words = [
  'constructor',
  '__proto__',
  'toString',
  'valueOf',
  'hasOwnProperty',
  'isPrototypeOf',
  '__defineGetter__',
  'prototype',
  'length',
  'name',
];
/**
 * Names that every object, function or list has anyway, alone and as they stand in ids, tags and
 * texts' keys.
 */
const oddName = fc
  .tuple(
    fc.constantFrom(...words),
    fc.constantFrom('', 'saltmarsh:', '#saltmarsh:', 'obrank:', 'block.', '#', 'constructor:'),
  )
  .map(([word, before]) => before + word);

const png = encodePicture({ width: 16, height: 16, data: new Uint8Array(1024).fill(200) });

/**
 * The sample with an item, a recipe of each kind, loot with conditions, texts and sounds: one of
 * everything that has a name.
 */
const full = (): Mod =>
  withExample(sampleMod(), {
    '/items/salt': {
      names: { en: 'Salt' },
      texture: 'saltmarsh:lamp',
      group: 'shore',
      tags: ['saltmarsh:dry'],
      bucket: { of: 'saltmarsh:bank', empty: 'saltmarsh:lamp' },
    },
    '/itemTags/dry': { members: ['#saltmarsh:other', 'driftwood:plank'] },
    '/header/needs': [{ namespace: 'driftwood' }],
    '/recipes/a': {
      kind: 'pattern',
      pattern: ['ab'],
      keys: { a: 'saltmarsh:salt', b: '#saltmarsh:dry' },
      gives: 'saltmarsh:lamp',
    },
    '/recipes/b': { kind: 'cut', takes: 'saltmarsh:bank', choices: [{ gives: 'saltmarsh:lamp' }] },
    '/lootTables/finds': {
      draws: [
        {
          times: 1,
          lots: [{ give: 'saltmarsh:salt', keeps: ['lit'], when: { state: { lit: true } } }],
        },
      ],
    },
    '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:finds' }] }] },
    '/blocks/bank/states': {
      properties: [
        {
          name: 'kind',
          kind: 'choice',
          values: ['dry', 'wet'],
          default: 'dry',
          turned: { dry: 'wet', wet: 'dry' },
        },
      ],
      placing: [{ set: 'kind', to: 'fixed', value: 'wet' }],
    },
    '/words/en': { texts: { 'mod.summary': 'On the shore' } },
    '/textures/bank/strip': { ticks: 4 },
    '/sounds/mud': { sha256: 'a'.repeat(64), bytes: 1, format: 'wav' },
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:mud' }] },
    '/blocks/bank/traits/soundSet': 'saltmarsh:mud',
  });

type Place = { holder: Record<string, unknown>; key: string; renames: boolean };
/** Every place of a document where a name may stand: texts, and the keys of objects. */
function placesIn(value: unknown): Place[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Record<string, unknown>;
  return Object.keys(holder).flatMap((key): Place[] => [
    ...(typeof holder[key] === 'string' ? [{ holder, key, renames: false }] : []),
    ...(Array.isArray(holder) ? [] : [{ holder, key, renames: true }]),
    ...placesIn(holder[key]),
  ]);
}

/** The document with one name put somewhere: as a text, or as a key. */
function misnamed(document: unknown, name: string, pick: number): unknown {
  const copy = structuredClone(document);
  const places = placesIn(copy);
  const place = places[pick % Math.max(1, places.length)];
  if (!place) return copy;
  const { holder, key, renames } = place;
  if (renames) {
    Object.defineProperty(holder, name, {
      value: holder[key],
      enumerable: true,
      configurable: true,
      writable: true,
    });
    delete holder[key];
  } else holder[key] = name;
  return copy;
}

/** Files of which one JSON file has one name changed. */
function misnamedFiles(files: Files, name: string, pick: number, which: number): Files {
  const texts = [...files.keys()].filter((file) => file.endsWith('.json'));
  const file = texts[which % texts.length]!;
  const { value } = parseJson(new TextDecoder().decode(files.get(file)));
  return new Map([
    ...files,
    [file, new TextEncoder().encode(printJson(misnamed(value, name, pick)))],
  ]);
}

const folder = writeModFolder(full(), () => png);
const pack = kitNamed('block-pack').write(full(), () => png);

test(
  'a mod folder with a name that is a word of the language, anywhere: everything that ' +
    'reads it says what is wrong, and nothing falls over',
  () =>
    fc.assert(
      fc.property(oddName, fc.nat(10_000), fc.nat(10_000), (name, pick, which) => {
        const files = misnamedFiles(folder, name, pick, which);
        inspectModFolder(files);
        const { mod } = readModFolder(files);
        resolveBlocks(mod);
        inspect(mod);
        writeModFolder(mod, () => png);
        readPack(kitNamed(mod.header.kit).write(mod, () => png));
        for (const block of [...Object.keys(mod.blocks), name])
          kitNamed(mod.header.kit).writeBlock(mod, block);
        readCsv(mod, `${writeCsv(mod)}${name},1\r\n`);
        readTexts(
          mod,
          'en.po',
          new TextEncoder().encode(
            `${writePo(mod, 'en')}\nmsgctxt "${name}"\nmsgid "x"\nmsgstr "y"\n`,
          ),
        );
      }),
      { numRuns: 400 },
    ),
);

test('the same for a pack that was written by hand', () =>
  fc.assert(
    fc.property(oddName, fc.nat(10_000), fc.nat(10_000), (name, pick, which) => {
      inspectBuilt(blockPack, misnamedFiles(pack, name, pick, which));
    }),
    { numRuns: 400 },
  ));

test('a whole mod with such a name is checked against its schema without a stumble', () =>
  fc.assert(
    fc.property(oddName, fc.nat(10_000), (name, pick) => {
      const result = ModSchema.safeParse(misnamed(full(), name, pick), { reportInput: true });
      if (!result.success) schemaProblems(result.error);
    }),
    { numRuns: 300 },
  ));

test('kits, templates, stock and rules are only found under their own names', () => {
  for (const word of words) {
    expect(kitNamed(word).name).toBe('block-pack');
    expect(rules.some((rule) => rule.id === word)).toBe(false);
  }
});
