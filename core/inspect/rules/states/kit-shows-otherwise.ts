import { engineKit } from '../../../kits/index.ts';
import { blockRule } from '../../rule.ts';

export const statesKitShowsOtherwise = blockRule({
  id: 'states/kit-shows-otherwise',
  severity: 'hint',
  title: 'State that the kit does not turn',
  why: 'An engine turns what it keeps as a turn. A state that it keeps as another node stands as it was when a structure is turned.',
  messages: { otherwise: '{block}: {words}' },
  fails: {
    '/header/kit': engineKit.name,
    '/blocks/lamp/looks/rows': [{ use: [{ model: 'saltmarsh:lamp' }] }],
  },
  passes: {},
  check: ({ name }, context) =>
    context
      .shortfalls('states')
      .map((words) => ({ at: ['states'], says: 'otherwise', parts: { block: name, words } })),
});
