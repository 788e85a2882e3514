import { itemAt } from '../../../lists/index.ts';
import { lookUp } from '../../../mod/index.ts';
import { listed, spokenName } from '../../../words/index.ts';
import { changeText, textEntries } from '../../../texts/index.ts';
import { modRule } from '../../rule.ts';
import { textsIn } from '../../view.ts';

export const nameMissing = modRule({
  id: 'names/missing',
  severity: 'warning',
  guesses: true,
  title: 'Name missing in a language',
  why: 'Where a name is missing players see a raw key instead of it.',
  messages: {
    missing: '{what} in {missing}.',
  },
  fails: { '/blocks/lamp/names': {} },
  passes: { '/blocks/lamp/names': { en: 'Lamp' } },
  check(mod) {
    const { languages } = mod.header;
    return textEntries(textsIn(mod)).flatMap((entry) => {
      const { what, name, texts } = entry;
      const missing = languages.filter((language) => !lookUp(texts, language)?.trim());
      if (!missing.length) return [];
      const at =
        what === 'block'
          ? ['blocks', name, 'names']
          : what === 'item'
            ? ['items', name, 'names']
            : what === 'group'
              ? [
                  'header',
                  'groups',
                  mod.header.groups.findIndex((group) => group.name === name),
                  'names',
                ]
              : ['words'];
      // A machine translates nothing: only a first name is made, from the id.
      const first = itemAt(languages, 0);
      const called = spokenName(name);
      const fix =
        what !== 'text' && missing.includes(first)
          ? {
              title: `Call it "${called}" in ${first}`,
              changes: changeText(textsIn(mod), entry, first, called),
            }
          : undefined;
      return [
        {
          at,
          block: what === 'block' ? name : undefined,
          says: 'missing',
          parts: {
            what:
              what === 'text'
                ? `The text ${name} is missing`
                : `${what === 'block' ? '' : `The ${what} `}${name} has no name`,
            missing: listed(missing),
          },
          fix,
        },
      ];
    });
  },
});
