import { reservedNames } from '../../../mod/index.ts';
import { bareBlock } from '../../examples.ts';
import { modRule } from '../../rule.ts';

export const reservedName = modRule({
  id: 'identity/reserved-name',
  severity: 'error',
  title: 'Reserved name',
  why:
    'Some systems cannot hold a file of this name, whatever its ending, so the mod could ' +
    'not even be unpacked there.',
  messages: {
    reservedName: '{name} is a name that some systems cannot hold as a file. Choose another.',
  },
  fails: {
    '/blocks/aux': bareBlock,
  },
  passes: {},
  check: (mod) =>
    (
      [
        'blocks',
        'fluids',
        'items',
        'models',
        'textures',
        'sounds',
        'blockTags',
        'itemTags',
        'recipes',
        'soundSets',
      ] as const
    ).flatMap((kind) =>
      reservedIn(kind === 'blocks' ? mod.present : mod[kind]).map((name) => ({
        at: [kind, name],
        says: 'reservedName',
        parts: { name },
      })),
    ),
});

const known = new WeakMap<object, readonly string[]>();

/** The names of entries that some systems cannot hold; looked for once in a record. */
function reservedIn(entries: Readonly<Record<string, unknown>>): readonly string[] {
  const before = known.get(entries);
  if (before) return before;
  const names = Object.keys(entries).filter((name) =>
    name.split('/').some((part) => reservedNames.has(part)),
  );
  known.set(entries, names);
  return names;
}
