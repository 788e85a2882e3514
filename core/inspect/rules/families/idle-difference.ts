import { givenAt, idleDifferences } from '../../../families/index.ts';
import { pointer } from '../../../json/index.ts';
import type { Mod } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { exampleFamily } from './example.ts';

export const idleDifference = modRule({
  id: 'families/idle-difference',
  severity: 'hint',
  title: 'Difference that makes none',
  why:
    'A cell keeps what it has otherwise than its family. Where the family says the same by now, or ' +
    'the place is gone, the difference only hides what the family will say later.',
  messages: {
    idle: '{material} in the form {form} of the family {family} has {place} otherwise, which comes to the same.',
  },
  fails: {
    '/families/salts': {
      ...exampleFamily,
      cells: { lime: { cube: { changed: { '/block/loot': 'itself' } } } },
    },
  },
  passes: {
    '/families/salts': {
      ...exampleFamily,
      cells: { lime: { cube: { changed: { '/block/loot': 'nothing' } } } },
    },
  },
  check: ({ header, families }) =>
    Object.keys(families).flatMap((family) => idleIn({ header, families }, family)),
});

function idleIn(mod: Pick<Mod, 'header' | 'families'>, family: string): ModReport[] {
  const rows = Object.entries(mod.families[family]?.cells ?? {});
  return rows.flatMap(([material, row]) =>
    Object.entries(row).flatMap(([form, { changed }]) => {
      const given = changed && givenSafely(mod, { family, material, form });
      if (!given) return [];
      return idleDifferences(given, changed).map((place): ModReport => {
        const at = ['families', family, 'cells', material, form, 'changed', place];
        return {
          at,
          says: 'idle',
          parts: { material, form, family, place },
          fix: {
            title: 'Follow the family',
            changes: [{ path: pointer(at), before: changed[place] }],
          },
        };
      });
    }),
  );
}

/** What a family gives a cell; nothing where that cannot be worked out, which another rule tells. */
function givenSafely(
  mod: Pick<Mod, 'header' | 'families'>,
  place: Parameters<typeof givenAt>[1],
): ReturnType<typeof givenAt> {
  try {
    return givenAt(mod, place);
  } catch {
    return undefined;
  }
}
