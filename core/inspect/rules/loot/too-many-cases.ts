import { mostByChance, tooManyCases } from '../../../loot/index.ts';
import { blockRule } from '../../rule.ts';

export const tooManyByChance = blockRule({
  id: 'loot/too-many-cases',
  severity: 'warning',
  title: 'Too many lots by chance',
  why:
    'Every lot that holds only by chance doubles the cases that must be counted. With ' +
    'more than sixteen in one draw the odds cannot be told exactly.',
  messages: {
    tooManyCases:
      '{block}: draw {draw} has more than {mostByChance} lots that hold by chance and have ' +
      'a share, so its odds are not told.',
  },
  fails: {
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: Array.from({ length: 17 }, () => ({
            give: 'saltmarsh:lamp',
            share: 1,
            when: { chance: 0.5 },
          })),
        },
      ],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: Array.from({ length: 17 }, () => ({ give: 'saltmarsh:lamp', share: 1 })),
        },
      ],
    },
  },
  check: ({ name, draws }) =>
    draws.flatMap((draw, d) =>
      tooManyCases([draw])
        ? [
            {
              at: ['loot', 'draws', d],
              says: 'tooManyCases',
              parts: { block: name, draw: d + 1, mostByChance },
            },
          ]
        : [],
    ),
});
