import { modRule } from '../../rule.ts';

export const numberTwice = modRule({
  id: 'registry/number-twice',
  severity: 'error',
  title: 'Number or name given twice',
  why:
    'Saved worlds know things by their numbers. A number that is given twice, or given ' +
    'again after it was retired, turns one thing into another.',
  fails: { '/ledger/retired': [{ number: 1, kind: 'block', name: 'pier' }] },
  passes: { '/ledger/retired': [{ number: 90, kind: 'block', name: 'pier' }] },
  check({ ledger }) {
    const owner = new Map<number, string>();
    const seen = new Set<string>();
    return (['retired', 'entries'] as const).flatMap((list) =>
      ledger[list].flatMap(({ number, kind, name }, i) => {
        const before = owner.get(number);
        owner.set(number, before ?? name);
        const again = list === 'entries' && seen.has(`${kind} ${name}`);
        if (list === 'entries') seen.add(`${kind} ${name}`);
        if (before !== undefined)
          return [
            {
              at: ['ledger', list, i],
              message: `The number ${number} of ${name} already belongs to ${before}.`,
            },
          ];
        return again
          ? [{ at: ['ledger', list, i], message: `The ${kind} ${name} is registered twice.` }]
          : [];
      }),
    );
  },
});
