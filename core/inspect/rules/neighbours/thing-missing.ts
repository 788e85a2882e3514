import { pointer, pointerSteps } from '../../../json/index.ts';
import {
  idOf,
  idOfShown,
  lookUp,
  newLookName,
  ownName,
  referencesIn,
  type Change,
  type Mod,
  type Reference,
  type RenamedKind,
} from '../../../mod/index.ts';
import { directMembers } from '../../../tags/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { neighbourRule, type ModReport } from '../../rule.ts';

const words: Record<RenamedKind, string> = {
  blocks: 'block',
  fluids: 'fluid',
  items: 'item',
  models: 'model',
  textures: 'picture',
  blockTags: 'block tag',
  itemTags: 'item tag',
  lootTables: 'loot table',
  recipes: 'recipe',
  sounds: 'sound',
  soundSets: 'sound set',
  groups: 'catalogue group',
};

export const neighbourThingMissing = neighbourRule({
  id: 'neighbours/thing-missing',
  severity: 'error',
  title: 'A neighbour does not have it',
  why:
    'Something of another mod is named, and that mod lies beside this one: it has nothing of the ' +
    'kind under that name. In the game it would be missing.',
  messages: {
    missing: '{id} is named here, but {title} has no {what} of that name.{near}',
  },
  fails: { '/recipes/a': { kind: 'mix', takes: ['driftwood:bnak'], gives: 'saltmarsh:lamp' } },
  passes: { '/recipes/a': { kind: 'mix', takes: ['driftwood:bank'], gives: 'saltmarsh:lamp' } },
  beside: { fails: {}, passes: {} },
  check(mod, { title, mod: other }) {
    const { namespace } = other.header;
    if (namespace === mod.header.namespace) return [];
    return [...referencesIn(mod), ...overlaid(mod)].flatMap((reference): ModReport[] => {
      const id = reference.text.replace(/^#/, '');
      const name = id.includes(':') ? ownName(namespace, id) : undefined;
      if (name === undefined || reference.kinds.some((kind) => has(other, kind, name))) return [];
      const all = reference.kinds.flatMap((kind) => namesOf(other, kind));
      const near = closest(name, all);
      const meant = near === undefined ? undefined : idOf(namespace, near);
      return [
        {
          at: pointerSteps(reference.path),
          says: 'missing',
          parts: { id, title, what: whatIs(reference), near: didYouMean(meant) },
          fix:
            meant === undefined
              ? undefined
              : { title: `Name ${meant}`, changes: renaming(mod, reference, id, meant) },
        },
      ];
    });
  },
});

/** The changes that name another thing instead; a new look goes to another block as it is. */
function renaming(mod: Mod, { path, text }: Reference, id: string, meant: string): Change[] {
  const look = path.startsWith('/newLooks/') && lookUp(mod.newLooks, newLookName(id));
  return look
    ? [
        { path, before: look },
        { path: pointer(['newLooks', newLookName(meant)]), after: look },
      ]
    : [{ path, before: text, after: text.replace(id, meant) }];
}

/** The blocks that new looks are over: each stands in the name of its look. */
const overlaid = ({ header, newLooks }: Mod): Reference[] =>
  Object.keys(newLooks).map((name) => ({
    path: pointer(['newLooks', name]),
    text: idOfShown(header.namespace, name),
    kinds: ['blocks'],
  }));

const isTagKind = (kind: RenamedKind): kind is 'blockTags' | 'itemTags' =>
  kind === 'blockTags' || kind === 'itemTags';

/** Whether a mod has a thing; a tag needs no entry, only somebody in it. A block without an item form cannot be held. */
const has = (mod: Mod, kind: RenamedKind, name: string): boolean =>
  kind === 'groups'
    ? mod.header.groups.some((group) => group.name === name)
    : lookUp<unknown>(mod[kind], name) !== undefined ||
      (isTagKind(kind) && directMembers(mod, kind).has(idOf(mod.header.namespace, name)));

const namesOf = (mod: Mod, kind: RenamedKind): string[] =>
  kind === 'groups' ? [] : Object.keys(mod[kind]);

const whatIs = ({ kinds }: Reference): string =>
  kinds.includes('blocks') && kinds.includes('items') ? 'item' : words[kinds[0] ?? 'items'];
