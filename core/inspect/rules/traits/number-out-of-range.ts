import { traitFacts, traitNames } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';
import { numbersOutside } from '../../trait-numbers.ts';

/** Whole numbers have rules of their own: levels of light, grades of tools. */
const ranged = traitNames.filter((trait) => {
  const { range, whole } = traitFacts(trait);
  return range && !whole;
});

export const numberOutOfRange = blockRule({
  id: 'traits/number-out-of-range',
  severity: 'error',
  guesses: true,
  title: 'Number out of its range',
  why:
    'Seconds, ratings and chances have ends: a time cannot be negative, and a chance lies ' +
    'from 0 to 1.',
  messages: {
    numberOutOfRange: '{block} has {trait} {value}; it goes from {low} to {high}.',
  },
  fails: { '/blocks/lamp/traits/catchesFire': 30 },
  passes: { '/blocks/lamp/traits/catchesFire': 0.3 },
  check(block, context) {
    return ranged
      .flatMap((trait) => numbersOutside(block, trait))
      .map(({ trait, at, value, range: [low, high] }) => {
        const meant = Math.min(high, Math.max(low, value));
        return {
          at,
          says: 'numberOutOfRange',
          parts: { block: block.name, trait, value, low, high: high.toLocaleString('en') },
          fix: context.set(`Make it ${meant}`, at, meant),
        };
      });
  },
});
