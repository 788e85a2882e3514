import { kits as comeAlong } from '../../../kits/index.ts';
import { modRule } from '../../rule.ts';

export const kitNameTaken = modRule({
  id: 'kits/name-taken',
  severity: 'error',
  title: 'Kit under a name that is taken',
  why: 'A kit of that name comes with Obrank, and it is the one that is built for.',
  messages: {
    taken: 'The kit {kit} is never built for: Obrank brings one of that name along. Rename it.',
  },
  fails: { '/kits/block-pack': { model: 1, title: 'Mine', files: [] } },
  passes: { '/kits/tidal': { model: 1, title: 'Mine', files: [] } },
  check: ({ kits }) =>
    Object.keys(kits)
      .filter((name) => Object.hasOwn(comeAlong, name))
      .map((name) => ({ at: ['kits', name], says: 'taken', parts: { kit: name } })),
});
