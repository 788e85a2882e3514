import { engineKit } from '../../../kits/index.ts';
import { blockRule } from '../../rule.ts';

export const traitsKitShowsOtherwise = blockRule({
  id: 'traits/kit-shows-otherwise',
  severity: 'hint',
  title: 'Trait that the kit shows otherwise',
  why: 'Engines count light, friction and fire differently. What comes near is written; how near, the docs of the kit say.',
  messages: { otherwise: '{block}: {words}' },
  fails: { '/header/kit': engineKit.name, '/blocks/bank/traits/speedOnTop': 0.5 },
  passes: {},
  check: ({ name }, context) =>
    context
      .shortfalls('traits')
      .map((words) => ({ at: ['traits'], says: 'otherwise', parts: { block: name, words } })),
});
