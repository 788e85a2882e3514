import { sameData } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const givesAnother = blockRule({
  id: 'loot/gives-another',
  severity: 'warning',
  guesses: true,
  title: 'Gives what another block gives',
  why:
    'The loot names another block and never its own, exactly as that other block does. ' +
    'That is what a copied file looks like in which the name was not changed.',
  messages: {
    givesAnother: '{block} drops exactly what {other} drops, and never itself.',
  },
  fails: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { careful: true } }] }],
    },
    '/blocks/bank/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { careful: true } }] }],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { careful: true } }] }],
    },
  },
  check({ name, id, declared: { loot } }, context) {
    if (typeof loot !== 'object') return [];
    const given = new Set(loot.draws.flatMap(({ lots }) => lots.flatMap(({ give }) => give ?? [])));
    if (given.has(id)) return [];
    for (const other of given) {
      const theirs = context.lootOf(other);
      const alike =
        theirs === 'itself'
          ? sameData(loot.draws, [{ times: 1, lots: [{ give: other }] }])
          : typeof theirs === 'object' && sameData(theirs, loot);
      if (alike)
        return [
          {
            at: ['loot'],
            says: 'givesAnother',
            parts: { block: name, other },
            fix: context.set(
              `Give ${id} instead`,
              ['loot'],
              JSON.parse(JSON.stringify(loot).replaceAll(`"${other}"`, `"${id}"`)),
            ),
          },
        ];
    }
    return [];
  },
});
