import { countFlaws, drawSentences } from '../../draws.ts';
import { blockRule } from '../../rule.ts';

export const countUpsideDown = blockRule({
  id: 'loot/count-upside-down',
  severity: 'error',
  title: 'Count upside down',
  why:
    'A count is a whole number, drawn from the least to the most. With the least above ' +
    'the most, below zero or between two numbers, there is nothing to draw.',
  messages: { count: drawSentences.count },
  fails: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [3, 1] }] }],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [1, 3] }] }],
    },
  },
  check: ({ name, draws, declared }, context) =>
    typeof declared.loot !== 'object'
      ? []
      : countFlaws(draws).map(({ at, says, parts, mend }) => ({
          at: ['loot', ...at],
          says,
          parts: { ...parts, owner: name },
          fix: context.set(mend!.title, ['loot', ...at], mend!.after),
        })),
});
