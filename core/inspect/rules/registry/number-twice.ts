import { modRule, type ModReport } from '../../rule.ts';

export const numberTwice = modRule({
  id: 'registry/number-twice',
  severity: 'error',
  title: 'Number or name given twice',
  why:
    'Saved worlds know things by their numbers. A number that is given twice, or given ' +
    'again after it was retired, turns one thing into another.',
  messages: {
    numberTaken: 'The number {number} of {name} already belongs to {before}.',
    registeredTwice: 'The {kind} {name} is registered twice.',
  },
  fails: { '/ledger/retired': [{ number: 1, kind: 'block', name: 'pier' }] },
  passes: { '/ledger/retired': [{ number: 90, kind: 'block', name: 'pier' }] },
  check({ ledger }) {
    const owner = new Map<number, string>();
    const seen = new Set<string>();
    return (['retired', 'entries'] as const).flatMap((list) =>
      ledger[list].flatMap(({ number, kind, name }, i): ModReport[] => {
        const before = owner.get(number);
        owner.set(number, before ?? name);
        const again = list === 'entries' && seen.has(`${kind} ${name}`);
        if (list === 'entries') seen.add(`${kind} ${name}`);
        if (before !== undefined)
          return [
            {
              at: ['ledger', list, i],
              says: 'numberTaken',
              parts: { number, name, before },
            },
          ];
        return again
          ? [{ at: ['ledger', list, i], says: 'registeredTwice', parts: { kind, name } }]
          : [];
      }),
    );
  },
});
