import { nextNumber } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const notRegistered = modRule({
  id: 'registry/not-registered',
  severity: 'error',
  title: 'Not registered',
  why: 'What is not in the registry does not exist in the game, however complete its files are.',
  messages: {
    notRegistered: 'The {kind} {name} is not in the registry.',
  },
  fails: {
    '/ledger/entries': [
      { number: 0, kind: 'group', name: 'shore' },
      { number: 1, kind: 'block', name: 'bank' },
    ],
  },
  passes: {},
  check(mod) {
    const has = new Set(mod.ledger.entries.map((entry) => `${entry.kind} ${entry.name}`));
    const wanted = [
      ...mod.header.groups.map(({ name }) => ({
        kind: 'group' as const,
        name,
        at: ['header', 'groups'],
      })),
      ...Object.keys(mod.present).map((name) => ({
        kind: 'block' as const,
        name,
        at: ['blocks', name],
      })),
      ...Object.keys(mod.fluids).map((name) => ({
        kind: 'fluid' as const,
        name,
        at: ['fluids', name],
      })),
      ...Object.keys(mod.items).map((name) => ({
        kind: 'item' as const,
        name,
        at: ['items', name],
      })),
    ];
    return wanted
      .filter(({ kind, name }) => !has.has(`${kind} ${name}`))
      .map(({ kind, name, at }) => {
        const number = nextNumber(mod.ledger);
        const after = [...mod.ledger.entries, { number, kind, name }];
        return {
          at,
          block: kind === 'block' ? name : undefined,
          says: 'notRegistered',
          parts: { kind, name },
          fix: {
            title: `Register it as number ${number}`,
            changes: [{ path: '/ledger/entries', before: mod.ledger.entries, after }],
          },
        };
      });
  },
});
