import { traitFacts } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';
import { numbersOutside } from '../../trait-numbers.ts';

export const lightOutOfRange = blockRule({
  id: 'traits/light-out-of-range',
  severity: 'error',
  title: 'Light out of range',
  why:
    'Light levels are whole numbers from 0 to 15. A fraction such as 0.8 usually means a ' +
    'share of the brightest light.',
  messages: {
    lightOutOfRange: '{block} has {trait} {value}; levels are whole numbers from {low} to {high}.',
  },
  fails: { '/blocks/lamp/traits/lightEmitted': 0.8 },
  passes: { '/blocks/lamp/traits/lightEmitted': 12 },
  check(block, context) {
    return (['lightEmitted', 'lightAbsorbed'] as const)
      .flatMap((trait) => numbersOutside(block, trait))
      .map(({ trait, at, value, range: [low, high] }) => {
        const level = value > 0 && value < 1 ? value * high : value;
        const meant = Math.min(high, Math.max(low, Math.round(level)));
        return {
          at,
          says: 'lightOutOfRange',
          parts: { block: block.name, trait: traitFacts(trait).words, value, low, high },
          fix:
            block.declared.traits[trait] === undefined
              ? undefined
              : context.set(`Make it ${meant}`, at, meant),
        };
      });
  },
});
