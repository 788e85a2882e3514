import { valuesOf } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const defaultOutside = blockRule({
  id: 'states/default-outside',
  severity: 'error',
  title: 'Default outside the values',
  why:
    'The default is what a property has when nothing sets it. If it is not one of the ' +
    'values, the block has no state to begin with.',
  messages: {
    defaultOutside:
      '{block}: the default of {property} is {default}, which is not one of its values.',
  },
  fails: { '/blocks/lamp/states/properties/0/default': 'up' },
  passes: { '/blocks/lamp/states/properties/0/default': 'east' },
  check({ name, space }, context) {
    return space.properties.flatMap((property, i) => {
      const values = valuesOf(property);
      if (!values.length || values.includes(property.default)) return [];
      return [
        {
          at: ['states', 'properties', i, 'default'],
          says: 'defaultOutside',
          parts: { block: name, property: property.name, default: String(property.default) },
          fix: context.set(
            `Make it ${String(values[0])}`,
            ['states', 'properties', i, 'default'],
            values[0],
          ),
        },
      ];
    });
  },
});
