import { valueCount } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const tooFewValues = blockRule({
  id: 'states/too-few-values',
  severity: 'warning',
  guesses: true,
  title: 'Property with fewer than two values',
  why:
    'A property with one value never changes and tells nothing; one without values leaves ' +
    'the block without any state.',
  messages: {
    tooFewValues: '{block}: the property {property} has {howMany}.',
  },
  fails: {
    '/blocks/lamp/states/properties/2': {
      name: 'hung',
      kind: 'choice',
      values: ['wall'],
      default: 'wall',
    },
  },
  passes: {},
  check: ({ name, space }, context) =>
    space.properties.flatMap((property, i) => {
      const many = valueCount(property);
      return many > 1
        ? []
        : [
            {
              at: ['states', 'properties', i],
              says: 'tooFewValues',
              parts: {
                block: name,
                property: property.name,
                howMany: many === 1 ? 'only one value' : 'no value',
              },
              fix: context.withoutProperty(i),
            },
          ];
    }),
});
