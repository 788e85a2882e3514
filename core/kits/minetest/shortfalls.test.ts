import { expect, test } from '@jest/globals';
import { sampleMod } from '../../inspect/sample.ts';
import { resolveBlock, type Mod } from '../../mod/index.ts';
import { shortfallsOf } from './shortfalls.ts';

type Block = Mod['blocks'][string];

/** What is said of the bank of the sample mod with some traits. */
const saidOf = (traits: Block['traits'], more: Partial<Mod> = {}): string[] => {
  const mod = { ...sampleMod(), ...more };
  const bank = { ...mod.blocks['bank']!, traits };
  return shortfallsOf(mod, resolveBlock(mod, 'bank', bank)).map(({ words }) => words);
};
const plain: Block['traits'] = { lightAbsorbed: 15, lightEmitted: 0, burnsAway: 0 };

test('a plain cube is shown as it is', () => expect(saidOf(plain)).toEqual([]));

const cases: [traits: Block['traits'], words: RegExp][] = [
  [{ lightEmitted: 15 }, /brightest light is 14; 15 becomes that/],
  [{ lightEmitted: 9 }, /lets light through what gives light itself/],
  [{ lightAbsorbed: 4 }, /loses one level .* not 4/],
  [{ speedOnTop: 0.5 }, /does not know speed on top/],
  [{ scatter: 2 }, /does not scatter/],
  [{ alphaMode: 'mask', alphaCutoff: 0.2 }, /cuts holes at 0\.5, not at 0\.2/],
  [{ burnsAway: 0.1 }, /no fire of its own/],
];
test.each(cases)('%j is said', (traits, words) => {
  expect(saidOf({ ...plain, ...traits })).toContainEqual(expect.stringMatching(words));
});

test.each<Block['traits']>([
  { lightAbsorbed: 0 },
  { lightAbsorbed: 1 },
  { alphaMode: 'mask', lightAbsorbed: 0 },
  { friction: 0.1 },
  { bounce: 1 },
])('%j is shown exactly, or as near as its group, and nothing is said', (traits) => {
  expect(saidOf({ ...plain, ...traits })).toEqual([]);
});

test('sounds that are no Ogg, and more than the engine chooses among', () => {
  const wav = { sha256: 'a'.repeat(64), bytes: 9, format: 'wav' as const };
  const ogg = { ...wav, format: 'ogg' as const };
  const step = Array.from({ length: 12 }, () => ({ sound: 'saltmarsh:a' }));
  const more = (sounds: Mod['sounds'], list: typeof step): Partial<Mod> => ({
    sounds,
    soundSets: { wet: { step: list } },
  });
  const traits = { ...plain, soundSet: 'saltmarsh:wet' };
  expect(saidOf(traits, more({ a: ogg }, step.slice(0, 3)))).toEqual([]);
  expect(saidOf(traits, more({ a: wav }, step.slice(0, 3)))).toEqual([
    'The engine plays Ogg files alone: 1 sound of saltmarsh:wet left out.',
  ]);
  expect(saidOf(traits, more({ a: ogg }, step))).toEqual([
    'The engine chooses among 10 of the 12 sounds of an event.',
  ]);
});

test('of a block with too many states nothing is worked out', () => {
  const mod = sampleMod();
  const properties = Array.from({ length: 17 }, (_, i) => ({
    name: `p${i}`,
    kind: 'toggle' as const,
    default: false,
  }));
  const bank = { ...mod.blocks['bank']!, states: { properties } };
  expect(shortfallsOf(mod, resolveBlock(mod, 'bank', bank))).toEqual([]);
});
