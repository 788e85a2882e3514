import { entryKinds, type EntryKind } from '../../../mod/index.ts';
import { count, listed } from '../../../words/index.ts';
import { neighbourRule } from '../../rule.ts';

const words: Partial<Record<EntryKind, readonly [one: string, more: string]>> = {
  blocks: ['block', 'blocks'],
  fluids: ['fluid', 'fluids'],
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

/** So many of a kind are named. */
const mostNamed = 3;

export const neighbourSameId = neighbourRule({
  id: 'neighbours/same-id',
  severity: 'error',
  title: 'Two mods claim the same id',
  why:
    'Both mods lie in one namespace and have things of the same name. A game that loads both takes ' +
    'one of them, and which one is up to chance.',
  messages: {
    both: 'This mod and {title} are both {namespace}, and both have {things}.',
  },
  fails: {},
  passes: {},
  beside: { fails: { '/header/namespace': 'saltmarsh' }, passes: {} },
  check(mod, { title, mod: other }) {
    const { namespace } = mod.header;
    if (other.header.namespace !== namespace) return [];
    const both = entryKinds.flatMap((kind) => {
      const names = Object.keys(mod[kind]).filter((name) => Object.hasOwn(other[kind], name));
      return sharedInWords(kind, names);
    });
    return both.length
      ? [
          {
            at: ['header', 'namespace'],
            says: 'both',
            parts: { title, namespace, things: listed(both) },
          },
        ]
      : [];
  },
});

/** Things of one kind that both have: by name as long as they are few. */
function sharedInWords(kind: EntryKind, names: readonly string[]): string[] {
  const word = words[kind];
  if (!word || !names.length) return [];
  const [one, more] = word;
  return names.length > mostNamed
    ? [count(names.length, one, more)]
    : [`the ${names.length === 1 ? one : more} ${listed(names)}`];
}
