import { packRule } from './pack-rule.ts';

export const languageMalformed = packRule({
  id: 'names/language-malformed',
  severity: 'error',
  title: 'Language tag malformed',
  why:
    'Languages are named by BCP 47 tags: the language in small letters, the region in ' +
    'capitals, joined by a hyphen. Under another name the file is never found.',
  messages: {
    misnamed: '{file} is named by the language {name}{why}.',
    disagrees: '{file} is named by the language {name}, but says that it is in {language}.',
    notListed: 'pack.json does not list the language {name}, so {file} is never read.',
  },
  fails: { 'view/words/EN.json': '{ "language": "en", "texts": {} }' },
  passes: {},
  check({ words, pack }) {
    return [...words.values()].flatMap(({ file, name, value }) => {
      const meant = canonical(name);
      if (meant !== name)
        return [
          {
            file,
            says: 'misnamed',
            parts: {
              file,
              name,
              why: meant ? `; written rightly it is ${meant}` : ', which is no language tag',
            },
          },
        ];
      if (value.language !== name)
        return [
          {
            file,
            says: 'disagrees',
            parts: { file, name, language: value.language },
          },
        ];
      return pack && !pack.value.languages.includes(name)
        ? [
            {
              file,
              says: 'notListed',
              parts: { name, file },
            },
          ]
        : [];
    });
  },
});

function canonical(tag: string): string | undefined {
  try {
    return Intl.getCanonicalLocales(tag)[0];
  } catch {
    return undefined;
  }
}
