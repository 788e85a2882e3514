import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges, ModSchema, type Mod } from '../mod/index.ts';
import {
  changeText,
  placeholderProblem,
  placeholders,
  readTexts,
  textEntries,
  writePo,
  writeWordsJson,
  isEverywhere,
  keyProblem,
  shownTexts,
} from './index.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

const bilingual = (): Mod => {
  const mod = sampleMod();
  return {
    ...mod,
    header: { ...mod.header, languages: ['en', 'de', 'pt-BR'] },
    words: { en: { texts: { 'ui.full': 'Holds {count} of {what}.' } } },
  };
};

test('every text of the mod is an entry, groups before blocks before items before the rest', () => {
  expect(textEntries(bilingual()).map(({ key, texts }) => `${key} ${texts['en']}`)).toEqual([
    'group.shore Shore',
    'block.bank Bank',
    'block.lamp Lamp',
    'ui.full Holds {count} of {what}.',
  ]);
});

test.each(['po', 'json'])(
  'what is written as %s in one language reads back into another copy as the same texts',
  (ending) =>
    fc.assert(
      fc.property(
        fc.array(
          fc
            .string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
            .filter((text) => text.trim() !== '' && !/[{}]/.test(text)),
          { minLength: 3, maxLength: 3 },
        ),
        (texts) => {
          let mod = bilingual();
          const entries = textEntries(mod).slice(0, 3);
          entries.forEach((entry, i) => {
            mod = applyChanges(mod, changeText(mod, entry, 'de', texts[i]));
          });
          const file = ending === 'po' ? writePo(mod, 'de') : writeWordsJson(mod, 'de');
          const plan = readTexts(bilingual(), `de.${ending}`, bytes(file));
          expect(plan.problems).toEqual([]);
          const taken = applyChanges(bilingual(), plan.changes);
          expect(textEntries(taken).map((entry) => entry.texts['de'])).toEqual([
            ...texts,
            undefined,
          ]);
          expect(ModSchema.safeParse(taken).success).toBe(true);
        },
      ),
    ),
);

test('a PO file names the key as context and leaves what is not translated empty', () => {
  const po = writePo(bilingual(), 'pt-BR');
  expect(po).toContain('"Language: pt_BR\\n"');
  expect(po).toContain('msgctxt "block.lamp"\nmsgid "Lamp"\nmsgstr ""');
});

test(
  'taking in: unknown keys, unsure texts, texts of another original and lost ' +
    'placeholders are told, and nothing is taken away',
  () => {
    const po = [
      'msgid ""',
      'msgstr ""',
      '"Language: de\\n"',
      '',
      'msgctxt "block.lmap"',
      'msgid "Lamp"',
      'msgstr "Lampe"',
      '',
      '#, fuzzy',
      'msgctxt "block.bank"',
      'msgid "Bank"',
      'msgstr "Ufer"',
      '',
      'msgctxt "block.lamp"',
      'msgid "Lantern"',
      'msgstr "Laterne"',
      '',
      'msgctxt "ui.full"',
      'msgid "Holds {count} of {what}."',
      'msgstr "Fasst {zahl}."',
      '',
      'msgid "Shore"',
      'msgstr "Strand"',
      '',
    ].join('\n');
    const plan = readTexts(bilingual(), 'de.po', bytes(po));
    expect(plan.changed).toEqual([{ key: 'block.lamp', before: undefined, after: 'Laterne' }]);
    expect(plan.problems).toEqual([
      '1 text is marked as unsure and left out.',
      'block.lamp was translated from “Lantern”, which now reads “Lamp”.',
      'Line 22: “Shore” does not say which text it is: its context is missing.',
      'There is no text block.lmap in the mod. Did you mean block.lamp?',
      'ui.full is not taken: {count} and {what} are missing.',
    ]);
  },
);

test.each([
  ['words.po', '', 'This is not a PO file, or it holds no text.'],
  ['words.json', '{ "language": "de", "texts": { "block.lamp": "Lampe", } }', 'Line 1, column 5'],
  ['words.json', '[]', 'The file holds no "texts".'],
  ['words.json', '{ "texts": {} }', 'The file does not say which language it is in.'],
  [
    'words.json',
    '{ "language": "fr", "texts": {} }',
    'fr is not a language of this mod: en, de, pt-BR. Add it first.',
  ],
  ['words.json', '{ "language": "de", "texts": { "block.lamp": 4 } }', 'block.lamp is not a text.'],
])('%s %s is told what is wrong with it', (name, source, problem) => {
  const { problems, changes } = readTexts(bilingual(), name, bytes(source));
  expect(problems.some((one) => one.startsWith(problem))).toBe(true);
  if (!problem.startsWith('Line')) expect(changes).toEqual([]);
});

test('several texts for a language without a file begin it once', () => {
  const mod: Mod = {
    ...bilingual(),
    words: { en: { texts: { 'ui.full': 'Full.', 'ui.empty': 'Empty.' } } },
  };
  const plan = readTexts(
    mod,
    'de.json',
    bytes('{ "language": "de", "texts": { "ui.full": "Voll.", "ui.empty": "Leer." } }'),
  );
  expect(applyChanges(mod, plan.changes).words['de']).toEqual({
    texts: { 'ui.full': 'Voll.', 'ui.empty': 'Leer.' },
  });
});

test('placeholders', () => {
  expect(placeholders('{b} of {a}, {b}')).toEqual(['a', 'b']);
  expect(placeholderProblem('{a}', '{a} {b}')).toBe('{b} is missing');
  expect(placeholderProblem('{a} {c}', '{a}')).toBe('{c} is not in the original');
  expect(placeholderProblem('{a}', '{a}')).toBeUndefined();
});

test(
  'a text that is written stands where it belongs, whatever it belongs to, and can be ' +
    'taken away again',
  () =>
    fc.assert(
      fc.property(
        fc.nat(20),
        fc.constantFrom('en', 'de', 'pt-BR'),
        fc.string({ minLength: 1, maxLength: 12 }),
        (at, language, text) => {
          const mod: Mod = { ...bilingual(), items: { salt: { names: { en: 'Salt' } } } };
          const entries = textEntries(mod);
          const entry = entries[at % entries.length]!;
          const written = applyChanges(mod, changeText(mod, entry, language, text));
          expect(textEntries(written).find(({ key }) => key === entry.key)!.texts[language]).toBe(
            text,
          );
          expect(textEntries(written).filter(({ key }) => key !== entry.key)).toEqual(
            entries.filter(({ key }) => key !== entry.key),
          );
          expect(ModSchema.safeParse(written).success).toBe(true);
          expect(changeText(written, entry, language, text)).toEqual([]);
          const taken = applyChanges(written, changeText(written, entry, language, undefined));
          expect(
            textEntries(taken).find(({ key }) => key === entry.key)?.texts[language],
          ).toBeUndefined();
        },
      ),
    ),
);

test('whatever a file holds, it is told and never thrown', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('a.po', 'a.json'),
      fc.oneof(
        fc.string({ maxLength: 200 }),
        fc
          .array(
            fc.constantFrom(
              'msgid "',
              'msgctxt "block.lamp"',
              'msgstr',
              '"',
              '\n',
              '\\',
              '"Language: de\\n"',
              '#, fuzzy',
              'msgid_plural "x"',
              'msgstr[1] "y"',
              '{ "language": "de", "texts": ',
              '{}',
              '[1]',
              '}',
            ),
            { maxLength: 14 },
          )
          .map((parts) => parts.join('\n')),
      ),
      (name, source) => {
        const { problems, changes } = readTexts(bilingual(), name, bytes(source));
        expect(problems.every((problem) => /[.?]$/.test(problem))).toBe(true);
        expect(ModSchema.safeParse(applyChanges(bilingual(), changes)).success).toBe(true);
      },
    ),
    { numRuns: 400 },
  ));

test('texts are filtered by key and words; what is not everywhere is told', () => {
  const entries = [
    { key: 'block.lamp', what: 'block' as const, name: 'lamp', texts: { en: 'Lamp', de: 'Lampe' } },
    {
      key: 'ui.full',
      what: 'text' as const,
      name: 'ui.full',
      texts: { en: 'It is full', de: ' ' },
    },
  ];
  const keys = (filter: string, only?: ReadonlySet<string>) =>
    shownTexts(entries, filter, only).map(({ key }) => key);
  expect([keys(''), keys('LAMPE'), keys('ui.'), keys('nothing')]).toEqual([
    ['block.lamp', 'ui.full'],
    ['block.lamp'],
    ['ui.full'],
    [],
  ]);
  expect(keys('', new Set(['ui.full']))).toEqual(['ui.full']);
  expect(entries.map((entry) => isEverywhere(entry, ['en', 'de']))).toEqual([true, false]);
});

test('a new key is free, well formed, and not of what the registry names', () => {
  expect(keyProblem('ui.full', ['ui.empty'])).toBeUndefined();
  expect(keyProblem('ui.full', ['ui.full'])).toMatch(/already/);
  expect(keyProblem('block.lamp', [])).toMatch(/their own/);
  expect(keyProblem('Ui full', [])).toMatch(/Use letters/);
});
