import { packRule } from './pack-rule.ts';

export const languageFileMissing = packRule({
  id: 'pack/language-file-missing',
  severity: 'warning',
  title: 'Language without its file',
  why: 'Players of a language that the pack lists see raw keys where its file is missing.',
  messages: {
    fileMissing: 'The pack speaks {language}, but view/words/{language}.json is not there.',
  },
  fails: { 'view/words/en.json': null },
  passes: {},
  check: (pack) =>
    pack.isForServers
      ? []
      : (pack.pack?.value.languages ?? [])
          .filter((language) => !pack.words.has(language) && !pack.unread.has('words', language))
          .map((language) => ({
            file: 'pack.json',
            place: pack.pack!.placeOf('/languages'),
            says: 'fileMissing',
            parts: { language },
          })),
});
