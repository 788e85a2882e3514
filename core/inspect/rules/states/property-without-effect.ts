import { drawsInReach } from '../../../loot/index.ts';
import { byStateTraits, propertiesAsked } from '../../../mod/index.ts';
import { dependsOn } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const propertyWithoutEffect = blockRule({
  id: 'states/property-without-effect',
  severity: 'warning',
  guesses: true,
  title: 'Property that nothing depends on',
  why:
    'Neither looks, light, shapes nor drops change with the property. It multiplies the ' +
    'states and does nothing.',
  messages: {
    propertyWithoutEffect: '{block}: nothing depends on the property {property}.',
  },
  fails: {
    '/blocks/bank/states/properties': [
      { name: 'wet', kind: 'toggle', default: false, byCode: true },
    ],
  },
  passes: {},
  check({ name, space, looks, traits, shapes, draws }, context) {
    if (space.tooLarge || !space.properties.length) return [];
    const used = new Set(
      [
        looks.rows,
        ...byStateTraits.map((trait) => traits[trait]),
        shapes.collision,
        shapes.outline,
      ].flatMap((rows) => [...dependsOn<unknown>(rows as never, space)]),
    );
    for (const property of propertiesAsked(drawsInReach(draws, context.loot))) used.add(property);
    if (looks.mode === 'layered')
      for (const row of looks.rows)
        for (const property of Object.keys(row.when ?? {})) used.add(property);
    return space.properties.flatMap((property, i) =>
      used.has(property.name)
        ? []
        : [
            {
              at: ['states', 'properties', i],
              says: 'propertyWithoutEffect',
              parts: { block: name, property: property.name },
              fix: context.withoutProperty(i),
            },
          ],
    );
  },
});
