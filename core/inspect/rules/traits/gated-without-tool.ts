import { blockRule } from '../../rule.ts';

export const gatedWithoutTool = blockRule({
  id: 'traits/gated-without-tool',
  severity: 'error',
  title: 'Gated without a tool kind',
  why:
    'A gated block yields a drop only for the right tool. Without a tool kind there is no ' +
    'right tool, so it never yields anything.',
  messages: {
    gatedWithoutTool: '{block} is gated but has no tool kind, so no tool ever yields a drop.',
  },
  fails: { '/blocks/lamp/traits/gated': true, '/blocks/lamp/traits/toolKind': 'none' },
  passes: { '/blocks/lamp/traits/gated': true, '/blocks/lamp/traits/toolKind': 'pick' },
  check({ traits, name }, context) {
    if (!traits.gated || traits.toolKind !== 'none') return [];
    return [
      {
        at: ['traits', 'gated'],
        says: 'gatedWithoutTool',
        parts: { block: name },
        fix: context.set('Do not gate it', ['traits', 'gated'], false),
      },
    ];
  },
});
