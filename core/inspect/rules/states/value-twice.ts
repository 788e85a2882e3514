import { blockRule } from '../../rule.ts';

/** The name with the lowest number that makes it free. */
function freeName(name: string, taken: readonly string[]): string {
  let number = 2;
  while (taken.includes(`${name}_${number}`)) number += 1;
  return `${name}_${number}`;
}

export const valueTwice = blockRule({
  id: 'states/value-twice',
  severity: 'error',
  title: 'A value or a property twice',
  why: 'Two values or two properties of one name cannot be told apart in a saved world.',
  messages: {
    nameTwice: '{block} has two properties called {property}.',
    valueTwice: '{block}: the property {property} lists a value twice.',
  },
  fails: {
    '/blocks/lamp/states/properties/2': {
      name: 'hung',
      kind: 'choice',
      values: ['wall', 'floor', 'wall'],
      default: 'wall',
    },
  },
  passes: {
    '/blocks/lamp/looks/rows/0/when': null,
    '/blocks/lamp/states/properties/2': {
      name: 'hung',
      kind: 'choice',
      values: ['wall', 'floor'],
      default: 'wall',
    },
  },
  check({ name, space }, context) {
    const names = space.properties.map((property) => property.name);
    return space.properties.flatMap((property, i) => [
      ...(space.properties.findIndex((other) => other.name === property.name) < i
        ? [
            {
              at: ['states', 'properties', i, 'name'],
              says: 'nameTwice',
              parts: { block: name, property: property.name },
              fix: context.set(
                `Call the second ${freeName(property.name, names)}`,
                ['states', 'properties', i, 'name'],
                freeName(property.name, names),
              ),
            },
          ]
        : []),
      ...(property.kind === 'choice' && new Set(property.values).size < property.values.length
        ? [
            {
              at: ['states', 'properties', i, 'values'],
              says: 'valueTwice',
              parts: { block: name, property: property.name },
              fix: context.set(
                'Keep each value once',
                ['states', 'properties', i, 'values'],
                [...new Set(property.values)],
              ),
            },
          ]
        : []),
    ]);
  },
});
