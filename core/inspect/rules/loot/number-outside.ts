import { foundInEach } from '../../../lists/index.ts';
import { conditionsOf, type Draw } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';
import type { BlockMaking } from '../../view.ts';

/** More of anything from one block is a slip of the finger, and brings a game to its knees. */
const most = 1000;

export const lootNumberOutside = modRule({
  id: 'loot/number-outside',
  severity: 'warning',
  title: 'Number in loot that makes no sense',
  why:
    'A share is a weight and a grade counts from 0, so neither is negative. Thousands of things ' +
    'from one block stop a game that has to move them all.',
  messages: {
    share: '{owner}: lot {lot} has the share {share}; a share is 0 or more.',
    grade: '{owner}: lot {lot} asks for grade {grade}; grades count from 0.',
    tooMany: '{owner}: {what} up to {count}; more than {most} is hardly meant.',
  },
  fails: {
    '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', share: -1 }] }] },
  },
  passes: {
    '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', share: 1 }] }] },
  },
  check: (mod) => [
    ...ofBlocks(mod.makings),
    ...Object.entries(mod.lootTables).flatMap(([name, { draws }]) =>
      flawsOf(draws, `The loot table ${name}`, ['lootTables', name]),
    ),
  ],
});

const ofBlocks = foundInEach((name: string, { loot }: BlockMaking) =>
  typeof loot === 'object' ? flawsOf(loot.draws, name, ['blocks', name, 'loot'], name) : [],
);

function flawsOf(draws: readonly Draw[], owner: string, at: (string | number)[], block?: string) {
  const report = (steps: (string | number)[], says: string, parts: Record<string, unknown>) => ({
    at: [...at, ...steps],
    block,
    says,
    parts: { owner, ...parts } as Record<string, string | number>,
  });
  const many = (steps: (string | number)[], what: string, count: Draw['times'] | undefined) => {
    const up = typeof count === 'object' ? (Array.isArray(count) ? count[1] : count.tries) : count;
    return up !== undefined && up > most
      ? [report(steps, 'tooMany', { what, count: up.toLocaleString('en'), most: '1,000' })]
      : [];
  };
  return [
    ...draws.flatMap(({ times, lots }, d) => [
      ...many(['draws', d, 'times'], `draw ${d + 1} is made`, times),
      ...lots.flatMap(({ share, count }, l) => {
        const lot = ['draws', d, 'lots', l];
        return [
          ...many([...lot, 'count'], `lot ${l + 1} gives`, count),
          ...(share !== undefined && share < 0
            ? [report([...lot, 'share'], 'share', { lot: l + 1, share })]
            : []),
        ];
      }),
    ]),
    ...conditionsOf(draws).flatMap(({ when: { grade }, at: steps }) =>
      grade !== undefined && grade < 0
        ? [report([...steps, 'grade'], 'grade', { lot: Number(steps[3]) + 1, grade })]
        : [],
    ),
  ];
}
