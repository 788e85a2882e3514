import { blockRule } from '../../rule.ts';

const ranges = { hardness: [0, 1e6], blastRating: [0, 1e6], catchesFire: [0, 1], bounce: [0, 1], speedOnTop: [0, 4], burnsAway: [0, 1], alphaCutoff: [0, 1], scatter: [0, 8] } as const;

export const numberOutOfRange = blockRule({
  id: 'traits/number-out-of-range', severity: 'error', title: 'Number out of its range',
  why: 'Seconds, ratings and chances have ends: a time cannot be negative, and a chance lies from 0 to 1.',
  fails: { '/blocks/lamp/traits/catchesFire': 30 },
  passes: { '/blocks/lamp/traits/catchesFire': 0.3 },
  check({ traits, name }, context) {
    return Object.entries(ranges).flatMap(([trait, [low, high]]) => {
      const value = traits[trait as keyof typeof ranges];
      if (typeof value !== 'number' || (value >= low && value <= high)) return [];
      const meant = Math.min(high, Math.max(low, value));
      return [{ at: ['traits', trait], message: `${name} has ${trait} ${value}; it goes from ${low} to ${high.toLocaleString('en')}.`, fix: context.set(`Make it ${meant}`, ['traits', trait], meant) }];
    });
  },
});
