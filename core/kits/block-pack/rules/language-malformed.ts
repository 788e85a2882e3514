import type { Files } from '../../../bytes/index.ts';
import type { FileFix } from '../../../mend/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import { pathInPack } from '../format/index.ts';
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
  check({ words, pack, files }) {
    return [...words.values()].flatMap(({ file, name, value }): SaidOfFile[] => {
      const meant = canonical(name);
      if (meant !== name)
        return [
          {
            file,
            fix: meant ? fixOfName(file, meant, files) : undefined,
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
            fix: {
              title: `Say that it is in ${name}`,
              files: [{ file, at: '/language', value: name }],
            },
            says: 'disagrees',
            parts: { file, name, language: value.language },
          },
        ];
      return pack && !pack.value.languages.includes(name)
        ? [
            {
              file,
              fix: {
                title: `Add ${name} to its languages`,
                files: [
                  {
                    file: pack.file,
                    at: '/languages',
                    value: [...pack.value.languages, name],
                  },
                ],
              },
              says: 'notListed',
              parts: { name, file },
            },
          ]
        : [];
    });
  },
});

function fixOfName(file: string, meant: string, files: Files): FileFix | undefined {
  const movesTo = pathInPack('words', meant);
  return files.has(movesTo)
    ? undefined
    : { title: `Call it ${meant}.json`, files: [{ file, movesTo }] };
}

function canonical(tag: string): string | undefined {
  try {
    return Intl.getCanonicalLocales(tag)[0];
  } catch {
    return undefined;
  }
}
