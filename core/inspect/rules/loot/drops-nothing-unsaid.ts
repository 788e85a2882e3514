import { blockRule } from '../../rule.ts';

export const dropsNothingUnsaid = blockRule({
  id: 'loot/drops-nothing-unsaid',
  severity: 'warning',
  guesses: true,
  title: 'Drops nothing and does not say so',
  why:
    'A block without a loot table vanishes when it is broken. If that is meant, say ' +
    '"drops nothing, on purpose".',
  messages: {
    dropsNothingUnsaid:
      '{block} drops nothing when it is broken, and does not say that this is meant.',
  },
  fails: { '/blocks/lamp/loot': null },
  passes: { '/blocks/lamp/loot': 'nothing' },
  check({ name, declared, item }, context) {
    if (
      declared.loot !== undefined &&
      (typeof declared.loot === 'string' || declared.loot.draws.length)
    )
      return [];
    return [
      {
        at: ['loot'],
        says: 'dropsNothingUnsaid',
        parts: { block: name },
        fix:
          item === 'none'
            ? context.set('Drop nothing, on purpose', ['loot'], 'nothing')
            : context.set('Drop itself', ['loot'], 'itself'),
      },
    ];
  },
});
