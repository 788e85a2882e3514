import { pointer } from '../../../json/index.ts';
import { ownedKey } from '../../../texts/index.ts';
import { closest, didYouMean, withArticle } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const keyUnused = modRule({
  id: 'names/key-unused',
  severity: 'warning',
  title: 'Text that nobody uses',
  why:
    'A key that begins with block, item or group names something that the mod does not ' +
    'have, or stands in the way of the name that it has. A language file for a language ' +
    'that the mod does not list is never read.',
  messages: {
    languageUnknown: 'There are texts in {language}, which is no language of the mod.',
    inTheWay:
      'The text {key} in {language} stands in the way of the name that the {kind} itself ' + 'has.',
    namesNothing: 'The text {key} in {language} names {one} that the mod does not have.{hint}',
  },
  fails: { '/words/en': { texts: { 'block.lmap': 'Lamp' } } },
  passes: { '/words/en': { texts: { 'mod.summary': 'Lamps.' } } },
  check(mod) {
    const names = {
      block: Object.keys(mod.present),
      fluid: Object.keys(mod.fluids),
      item: Object.keys(mod.items),
      group: mod.header.groups.map((group) => group.name),
    };
    return Object.entries(mod.words).flatMap(([language, { texts }]): ModReport[] => [
      ...(mod.header.languages.includes(language)
        ? []
        : [
            {
              at: ['words', language],
              says: 'languageUnknown',
              parts: { language },
              fix: {
                title: `Add ${language} to its languages`,
                changes: [
                  {
                    path: '/header/languages',
                    before: mod.header.languages,
                    after: [...mod.header.languages, language],
                  },
                ],
              },
            },
          ]),
      ...Object.entries(texts).flatMap(([key, text]): ModReport[] => {
        const [, kind, name] = ownedKey.exec(key) ?? [];
        if (kind === undefined) return [];
        const there = names[kind as keyof typeof names];
        const own = there.includes(name!);
        const path = pointer(['words', language, 'texts', key]);
        return [
          {
            at: ['words', language, 'texts', key],
            ...(own
              ? { says: 'inTheWay', parts: { key, language, kind } }
              : {
                  says: 'namesNothing',
                  parts: {
                    key,
                    language,
                    one: withArticle(kind),
                    hint: didYouMean(closest(name!, there)),
                  },
                }),
            fix: { title: 'Remove the text', changes: [{ path, before: text }] },
          },
        ];
      }),
    ]);
  },
});
