import { dependsOn } from '../../../states/index.ts';
import { spreadRows } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const headingWithoutEffect = blockRule({
  id: 'looks/heading-without-effect',
  severity: 'warning',
  guesses: true,
  title: 'Heading that changes nothing',
  why:
    'The block has a heading, direction or axis, yet it looks the same whichever way it ' +
    'was placed: it always points the same way.',
  messages: {
    headingWithoutEffect:
      '{block} looks the same whatever its {property}: it always points the same way.',
  },
  fails: { '/blocks/lamp/looks/rows': [{ use: [{ model: 'saltmarsh:lamp' }] }] },
  passes: {},
  check({ name, space, looks }, context) {
    if (space.tooLarge || !looks.rows.length) return [];
    const turns =
      looks.mode === 'layered'
        ? new Set(looks.rows.flatMap((row) => Object.keys(row.when ?? {})))
        : dependsOn(looks.rows, space);
    return space.properties.flatMap((property, i) => {
      if (!['heading', 'direction', 'axis'].includes(property.kind) || turns.has(property.name))
        return [];
      const rows = looks.mode === 'layered' ? undefined : spreadRows(looks.rows, space, i);
      return [
        {
          at: ['states', 'properties', i],
          says: 'headingWithoutEffect',
          parts: { block: name, property: property.name },
          fix:
            rows && context.set(`Spread the look along ${property.name}`, ['looks', 'rows'], rows),
        },
      ];
    });
  },
});
