import { conditionsOf, type Count, type Draw } from '../mod/index.ts';
import type { Said } from '../words/index.ts';
import type { Meant } from './meant.ts';

/** What is said of draws, whosever they are: of a block, or of a loot table. */
export const drawSentences = {
  count: '{owner}: the count {count} is upside down, below zero or not whole.',
  chance: '{owner}: the chance {chance} in its loot is outside 0 to 1.',
  heldless: '{owner} gives {id}, which cannot be held.',
  unknown: '{owner} gives {id}, which is no {kind} of the mod.{hint}',
};

/**
 * Something wrong at a place of some draws: one of {@link drawSentences} and its parts but for the
 * owner, and what would mend it.
 */
export interface DrawFlaw extends Required<Said> {
  at: (string | number)[];
  mend?: { title: string; after: unknown };
}

const countsOf = (draws: readonly Draw[]): { count: Count; at: (string | number)[] }[] =>
  draws.flatMap((draw, d) => [
    { count: draw.times, at: ['draws', d, 'times'] },
    ...draw.lots.flatMap(({ count }, l) =>
      count === undefined ? [] : [{ count, at: ['draws', d, 'lots', l, 'count'] }],
    ),
  ]);

/** Counts that are upside down, below zero or not whole. */
export const countFlaws = (draws: readonly Draw[]): DrawFlaw[] =>
  countsOf(draws).flatMap(({ count, at }) => {
    const [low, high] =
      typeof count === 'number'
        ? [count, count]
        : Array.isArray(count)
          ? count
          : [count.tries, count.tries];
    if (low <= high && low >= 0 && Number.isInteger(low) && Number.isInteger(high)) return [];
    const meant = [
      Math.max(0, Math.floor(Math.min(low, high))),
      Math.max(0, Math.ceil(Math.max(low, high))),
    ] as const;
    const after: Count =
      typeof count === 'object' && !Array.isArray(count)
        ? { ...count, tries: meant[1] }
        : meant[0] === meant[1]
          ? meant[0]
          : [...meant];
    const title =
      typeof after === 'object' && !Array.isArray(after)
        ? `Make it ${after.tries} tries`
        : `Make it ${typeof after === 'number' ? after : after.join(' to ')}`;
    return [
      {
        at,
        says: 'count',
        parts: { count: low === high ? `of ${low}` : `from ${low} to ${high}` },
        mend: { title, after },
      },
    ];
  });

/** Chances outside 0 to 1, in conditions and in counts. */
export function chanceFlaws(draws: readonly Draw[]): DrawFlaw[] {
  const places = [
    ...conditionsOf(draws).flatMap(({ when, at }) =>
      when.chance === undefined ? [] : [{ chance: when.chance, at: [...at, 'chance'] }],
    ),
    ...countsOf(draws).flatMap(({ count, at }) =>
      typeof count === 'object' && !Array.isArray(count)
        ? [{ chance: count.chance, at: [...at, 'chance'] }]
        : [],
    ),
  ];
  return places
    .filter(({ chance }) => chance < 0 || chance > 1)
    .map(({ chance, at }) => {
      const after = chance > 1 && chance <= 100 ? chance / 100 : Math.min(1, Math.max(0, chance));
      return {
        at,
        says: 'chance',
        parts: { chance },
        mend: { title: `Make it ${after}`, after },
      };
    });
}

/**
 * What draws may name: whether an item or a table of the mod is there, and all their ids for near
 * misses.
 */
export interface Known {
  /** What an item that leads nowhere means, where that is not one of the mod's. */
  meant: (id: string, ids: readonly string[]) => Meant;
  namespace: string;
  hasItem: (id: string) => boolean;
  hasTable: (id: string) => boolean;
  items: () => string[];
  tables: () => string[];
}

const nobody: Meant = { id: undefined, hint: '' };

/** What lies at the bottom of a draw that gives what is not there; undefined for any other flaw. */
export const causeOf = (
  says: string,
  parts: Readonly<Record<string, string | number>>,
): string | undefined =>
  says === 'unknown'
    ? `The ${parts['kind']} ${parts['id']} does not exist.`
    : says === 'heldless'
      ? `${parts['id']} has no item form.`
      : undefined;

/** Items and tables of the mod that do not exist. What other mods bring is theirs to know. */
export const unknownGiven = (draws: readonly Draw[], known: Known): DrawFlaw[] =>
  draws.flatMap((draw, d) =>
    draw.lots.flatMap(({ give, table }, l) => {
      const flaw = (id: string, kind: string, ids: string[], key: string): DrawFlaw[] => {
        // What is there and cannot be held is not misspelt.
        const isThere = ids.includes(id);
        const { id: near, hint } = isThere ? nobody : known.meant(id, ids);
        return [
          {
            at: ['draws', d, 'lots', l, key],
            ...(isThere
              ? { says: 'heldless', parts: { id } }
              : { says: 'unknown', parts: { id, kind, hint } }),
            ...(near ? { mend: { title: `Give ${near}`, after: near } } : {}),
          },
        ];
      };
      const own = (id: string | undefined): id is string =>
        id?.startsWith(`${known.namespace}:`) ?? false;
      return [
        ...(own(give) && !known.hasItem(give) ? flaw(give, 'item', known.items(), 'give') : []),
        ...(own(table) && !known.hasTable(table)
          ? flaw(table, 'loot table', known.tables(), 'table')
          : []),
      ];
    }),
  );
