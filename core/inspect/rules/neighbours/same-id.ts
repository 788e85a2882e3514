import { entryKinds, type EntryKind } from '../../../mod/index.ts';
import { count, listed } from '../../../words/index.ts';
import { neighbourRule, type ModReport } from '../../rule.ts';

const words: Partial<Record<EntryKind, readonly [one: string, more: string]>> = {
  blocks: ['block', 'blocks'],
  items: ['item', 'items'],
  models: ['model', 'models'],
  textures: ['picture', 'pictures'],
  blockTags: ['block tag', 'block tags'],
  itemTags: ['item tag', 'item tags'],
  recipes: ['recipe', 'recipes'],
  lootTables: ['loot table', 'loot tables'],
  sounds: ['sound', 'sounds'],
  soundSets: ['sound set', 'sound sets'],
};

/** So many are named in one sentence. */
const mostNamed = 5;

export const neighbourSameId = neighbourRule({
  id: 'neighbours/same-id',
  severity: 'error',
  title: 'Two mods claim the same id',
  why:
    'Both mods lie in one namespace and have things of the same name. A game that loads both takes ' +
    'one of them, and which one is up to chance.',
  messages: {
    both: 'This mod and {title} are both {namespace}, and both have the {what} {names}.',
  },
  fails: {},
  passes: {},
  beside: { fails: { '/header/namespace': 'saltmarsh' }, passes: {} },
  check(mod, { title, mod: other }) {
    const { namespace } = mod.header;
    if (other.header.namespace !== namespace) return [];
    return entryKinds.flatMap((kind): ModReport[] => {
      const word = words[kind];
      const both = Object.keys(mod[kind]).filter((name) => Object.hasOwn(other[kind], name));
      const [first] = both;
      if (!word || first === undefined) return [];
      const more = both.length - mostNamed;
      const named = [
        ...both.slice(0, mostNamed),
        ...(more > 0 ? [count(more, 'other', 'others')] : []),
      ];
      return [
        {
          at: [kind, first],
          says: 'both',
          parts: { title, namespace, what: word[both.length > 1 ? 1 : 0], names: listed(named) },
        },
      ];
    });
  },
});
