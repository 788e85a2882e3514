import { retire } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const registeredButGone = modRule({
  id: 'registry/gone',
  severity: 'error',
  guesses: true,
  title: 'Registered, and gone',
  why:
    'Saved worlds may hold the number. What is gone must be retired, so that its number ' +
    'is never given to something else.',
  messages: {
    gone: 'The registry holds the {kind} {entry}, which the mod no longer has.',
  },
  fails: { '/ledger/entries/3': { number: 9, kind: 'block', name: 'pier' } },
  passes: {},
  check(mod) {
    const there = {
      group: new Set(mod.header.groups.map((group) => group.name)),
      block: new Set(Object.keys(mod.present)),
      fluid: new Set(Object.keys(mod.fluids)),
      item: new Set(Object.keys(mod.items)),
    };
    return mod.ledger.entries.flatMap((entry, i) =>
      there[entry.kind].has(entry.name)
        ? []
        : [
            {
              at: ['ledger', 'entries', i],
              says: 'gone',
              parts: { kind: entry.kind, entry: entry.name },
              fix: { title: `Retire number ${entry.number}`, changes: retire(mod.ledger, i) },
            },
          ],
    );
  },
});
