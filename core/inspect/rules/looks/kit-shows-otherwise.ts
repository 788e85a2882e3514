import { engineKit } from '../../../kits/index.ts';
import { blockRule } from '../../rule.ts';

export const looksKitShowsOtherwise = blockRule({
  id: 'looks/kit-shows-otherwise',
  severity: 'hint',
  title: 'Look that the kit shows in part',
  why: 'An engine that knows no random candidates, or fewer pictures, shows a part of them. The docs of the kit say which.',
  messages: { otherwise: '{block}: {words}' },
  fails: {
    '/header/kit': engineKit.name,
    '/blocks/bank/looks/rows/0/use/1': { model: 'saltmarsh:bank', front: 'north' },
  },
  passes: {},
  check: ({ name }, context) =>
    context
      .shortfalls('looks')
      .map((words) => ({ at: ['looks'], says: 'otherwise', parts: { block: name, words } })),
});
