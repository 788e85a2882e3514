import { blockRule } from '../../rule.ts';

export const countUpsideDown = blockRule({
  id: 'loot/count-upside-down', severity: 'error', title: 'Count upside down',
  why: 'A count is drawn from the least to the most. With the least above the most, or below zero, there is nothing to draw.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [3, 1] }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [1, 3] }] }] } },
  check: ({ name, draws, declared }, context) => (typeof declared.loot !== 'object' ? [] : draws.flatMap((draw, d) => [
    { count: draw.times, at: ['loot', 'draws', d, 'times'] as (string | number)[] },
    ...draw.lots.flatMap(({ count }, l) => (count === undefined ? [] : [{ count, at: ['loot', 'draws', d, 'lots', l, 'count'] as (string | number)[] }])),
  ].flatMap(({ count, at }) => {
    const [low, high] = typeof count === 'number' ? [count, count] : count;
    if (low <= high && low >= 0) return [];
    const meant = [Math.max(0, Math.min(low, high)), Math.max(0, low, high)];
    return [{ at, message: `${name}: the count from ${low} to ${high} is upside down or below zero.`, fix: context.set(`Make it ${meant[0]} to ${meant[1]}`, at, meant) }];
  }))),
});
