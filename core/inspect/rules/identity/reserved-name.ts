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
      Object.keys(mod[kind])
        .filter((name) => name.split('/').some((part) => reservedNames.has(part)))
        .map((name) => ({
          at: [kind, name],
          says: 'reservedName',
          parts: { name },
        })),
    ),
});
