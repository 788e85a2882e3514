import { expect, test } from '@jest/globals';
import { languageName, languageTyped } from './language-name.ts';

test.each([
  ['Ger', 'de'],
  ['german', 'de'],
  ['Deutsch', 'de'],
  ['de', 'de'],
  ['pt-br', 'pt-BR'],
  ['Portug', 'pt'],
  ['日本', 'ja'],
  ['eng', 'en'],
])('%s is %s', (typed, tag) => expect(languageTyped(typed)?.tag).toBe(tag));

test.each(['', 'x', 'qq', 'Klatschmohn', 'de_DE!'])('%j is no language', (typed) =>
  expect(languageTyped(typed)).toBeUndefined(),
);

test('a language is called as in English', () => expect(languageName('de')).toBe('German'));
