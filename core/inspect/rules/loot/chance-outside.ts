import { chanceFlaws, drawSentences } from '../../draws.ts';
import { blockRule } from '../../rule.ts';

export const chanceOutside = blockRule({
  id: 'loot/chance-outside',
  severity: 'error',
  title: 'Chance outside 0 to 1',
  why:
    'A chance goes from 0, never, to 1, always. One above is most often a percentage that ' +
    'was not divided by a hundred.',
  messages: { chance: drawSentences.chance },
  fails: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { chance: 40 } }] }],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { chance: 0.4 } }] }],
    },
  },
  check: ({ name, draws, declared }, context) =>
    typeof declared.loot !== 'object'
      ? []
      : chanceFlaws(draws).map(({ at, says, parts, mend }) => ({
          at: ['loot', ...at],
          says,
          parts: { ...parts, owner: name },
          fix: context.set(mend!.title, ['loot', ...at], mend!.after),
        })),
});
