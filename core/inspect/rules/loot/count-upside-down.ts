import type { Count } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const countUpsideDown = blockRule({
  id: 'loot/count-upside-down', severity: 'error', title: 'Count upside down',
  why: 'A count is a whole number, drawn from the least to the most. With the least above the most, below zero or between two numbers, there is nothing to draw.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [3, 1] }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [1, 3] }] }] } },
  check: ({ name, draws, declared }, context) => (typeof declared.loot !== 'object' ? [] : draws.flatMap((draw, d) => [
    { count: draw.times, at: ['loot', 'draws', d, 'times'] as (string | number)[] },
    ...draw.lots.flatMap(({ count }, l) => (count === undefined ? [] : [{ count, at: ['loot', 'draws', d, 'lots', l, 'count'] as (string | number)[] }])),
  ].flatMap(({ count, at }) => {
    const [low, high] = endsOf(count);
    if (low <= high && low >= 0 && Number.isInteger(low) && Number.isInteger(high)) return [];
    const meant = [Math.max(0, Math.floor(Math.min(low, high))), Math.max(0, Math.ceil(Math.max(low, high)))] as const;
    const after: Count = typeof count === 'object' && !Array.isArray(count) ? { ...count, tries: meant[1] } : meant[0] === meant[1] ? meant[0] : [...meant];
    return [{ at, message: `${name}: the count ${low === high ? `of ${low}` : `from ${low} to ${high}`} is upside down, below zero or not whole.`, fix: context.set(typeof after === 'object' && !Array.isArray(after) ? `Make it ${after.tries} tries` : `Make it ${typeof after === 'number' ? after : after.join(' to ')}`, at, after) }];
  }))),
});

const endsOf = (count: Count): readonly [number, number] => (typeof count === 'number' ? [count, count] : Array.isArray(count) ? count : [count.tries, count.tries]);
