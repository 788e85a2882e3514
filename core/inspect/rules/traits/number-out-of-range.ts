import type { BlockContext } from '../../context.ts';
import { blockRule } from '../../rule.ts';

const ranges = {
  hardness: [0, 1e6],
  blastRating: [0, 1e6],
  catchesFire: [0, 1],
  bounce: [0, 1],
  speedOnTop: [0, 4],
  burnsAway: [0, 1],
  alphaCutoff: [0, 1],
  scatter: [0, 8],
} as const;

export const numberOutOfRange = blockRule({
  id: 'traits/number-out-of-range',
  severity: 'error',
  title: 'Number out of its range',
  why: 'Seconds, ratings and chances have ends: a time cannot be negative, and a chance lies from 0 to 1.',
  fails: { '/blocks/lamp/traits/catchesFire': 30 },
  passes: { '/blocks/lamp/traits/catchesFire': 0.3 },
  check({ traits, name, declared }, context) {
    const plain = Object.entries(ranges).flatMap(([trait, [low, high]]) => {
      const value = traits[trait as keyof typeof ranges];
      return typeof value === 'number'
        ? outside({ name, trait, value, low, high, at: ['traits', trait] }, context)
        : [];
    });
    const byState = traits.friction.flatMap(({ value }, row) => {
      const at = [
        'traits',
        'friction',
        ...(Array.isArray(declared.traits.friction) ? [row, 'value'] : []),
      ];
      return outside({ name, trait: 'friction', value, low: 0, high: 1, at }, context);
    });
    return [...plain, ...byState];
  },
});

interface Ranged {
  name: string;
  trait: string;
  value: number;
  low: number;
  high: number;
  at: (string | number)[];
}

function outside({ name, trait, value, low, high, at }: Ranged, context: BlockContext) {
  if (value >= low && value <= high) return [];
  const meant = Math.min(high, Math.max(low, value));
  return [
    {
      at,
      message: `${name} has ${trait} ${value}; it goes from ${low} to ${high.toLocaleString('en')}.`,
      fix: context.set(`Make it ${meant}`, at, meant),
    },
  ];
}
