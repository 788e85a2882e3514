import { itemAt } from '../../../lists/index.ts';
import { lookUp, type Change, type Mod } from '../../../mod/index.ts';
import { listed, spokenName } from '../../../words/index.ts';
import { changeText, type TextEntry } from '../../../texts/index.ts';
import { foundInTexts } from '../../found-in-texts.ts';
import { modRule, type ModReport } from '../../rule.ts';

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
  check: (mod) => missingIn(mod),
});

const missingIn = foundInTexts((entry, header): ModReport[] => {
  const { languages } = header;
  const { what, name, texts } = entry;
  const missing = languages.filter((language) => !lookUp(texts, language)?.trim());
  if (!missing.length) return [];
  const at =
    what === 'block'
      ? ['blocks', name, 'names']
      : what === 'item' || what === 'fluid'
        ? [`${what}s`, name, 'names']
        : what === 'group'
          ? ['header', 'groups', header.groups.findIndex((group) => group.name === name), 'names']
          : ['words'];
  // A machine translates nothing: only a first name is made, from the id.
  const first = itemAt(languages, 0);
  const called = spokenName(name);
  const fix =
    what !== 'text' && missing.includes(first)
      ? {
          title: `Call it "${called}" in ${first}`,
          changes: calling(entry, header, first, called),
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

/** The changes that give a thing its first name. */
const calling = (
  { what, name, texts }: TextEntry,
  header: Mod['header'],
  language: string,
  called: string,
): Change[] => {
  const named = { [name]: { names: { ...texts } } };
  const none = { header, blocks: {}, fluids: {}, items: {}, words: {} };
  const owners =
    what === 'block'
      ? { ...none, blocks: named }
      : what === 'fluid'
        ? { ...none, fluids: named as unknown as Mod['fluids'] }
        : { ...none, items: named as Mod['items'] };
  return changeText(owners, { what, name }, language, called);
};
