import { lookUp } from '../../../mod/index.ts';
import { originalOf, placeholderProblem } from '../../../texts/index.ts';
import { foundInTexts } from '../../found-in-texts.ts';
import { modRule } from '../../rule.ts';

export const placeholdersDiffer = modRule({
  id: 'names/placeholders-differ',
  severity: 'error',
  title: 'Placeholders differ between languages',
  why:
    "The mod's code puts a value where a placeholder such as {count} stands. Where it is " +
    'missing or misspelt in one language, players of that language do not see the value.',
  messages: {
    placeholdersDiffer: 'The text {key} in {language}: {wrong}.',
  },
  fails: {
    '/header/languages': ['en', 'de'],
    '/words/en': { texts: { 'ui.full': 'Holds {count}.' } },
    '/words/de': { texts: { 'ui.full': 'Fasst {zahl}.' } },
  },
  passes: {
    '/header/languages': ['en', 'de'],
    '/words/en': { texts: { 'ui.full': 'Holds {count}.' } },
    '/words/de': { texts: { 'ui.full': 'Fasst {count}.' } },
  },
  check: (mod) => differing(mod),
});

const differing = foundInTexts((entry, { languages }) => {
  const original = originalOf(entry, languages);
  if (!original) return [];
  return languages.flatMap((language) => {
    const text = lookUp(entry.texts, language);
    const wrong =
      language !== original.language && text?.trim()
        ? placeholderProblem(text, original.text)
        : undefined;
    return wrong
      ? [
          {
            at:
              entry.what === 'text'
                ? ['words', language, 'texts', entry.name]
                : entry.what === 'group'
                  ? ['header', 'groups']
                  : [`${entry.what}s`, entry.name, 'names', language],
            block: entry.what === 'block' ? entry.name : undefined,
            says: 'placeholdersDiffer',
            parts: { key: entry.key, language, wrong },
          },
        ]
      : [];
  });
});
