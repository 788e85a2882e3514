import { lookUp, splitId } from '../../../mod/index.ts';
import { packRule } from './pack-rule.ts';

export const textMissing = packRule({
  id: 'pack/text-missing',
  severity: 'warning',
  title: 'Name missing in a language file',
  why: 'Where a name is missing players see a raw key instead of it.',
  messages: {
    fileMissing: 'The pack speaks {language}, but view/words/{language}.json is not there.',
    nameMissing: '{thing} has no name in {language}: the key {kind}.{name} is missing.',
  },
  fails: { 'view/words/en.json': '{ "language": "en", "texts": {} }' },
  passes: {},
  check: (pack) =>
    (pack.pack?.value.languages ?? []).flatMap((language) => {
      const words = pack.words.get(language);
      if (!words)
        return pack.problems.some((problem) => problem.file === `view/words/${language}.json`)
          ? []
          : [
              {
                file: 'pack.json',
                place: pack.pack!.placeOf('/languages'),
                says: 'fileMissing',
                parts: { language },
              },
            ];
      return [...pack.items.values()]
        .filter(
          ({ name, value }) =>
            !lookUp(words.value.texts, `${value.block ? 'block' : 'item'}.${name}`),
        )
        .map(({ name, value }) => ({
          file: words.file,
          place: words.placeOf('/texts'),
          says: 'nameMissing',
          parts: {
            thing: splitId(value.id).name,
            language,
            kind: value.block ? 'block' : 'item',
            name,
          },
        }));
    }),
});
