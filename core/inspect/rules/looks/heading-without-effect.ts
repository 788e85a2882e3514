import { dependsOn } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const headingWithoutEffect = blockRule({
  id: 'looks/heading-without-effect', severity: 'warning', title: 'Heading that changes nothing',
  why: 'The block has a heading, direction or axis, yet it looks the same whichever way it was placed: it always points the same way.',
  fails: { '/blocks/lamp/looks/rows': [{ use: [{ model: 'saltmarsh:lamp' }] }] },
  passes: {},
  check({ name, space, looks, declared }, context) {
    if (space.tooLarge || !looks.rows.length) return [];
    const turns = dependsOn(looks.rows, space);
    return space.properties.flatMap((property, i) => {
      if (!['heading', 'direction', 'axis'].includes(property.kind) || turns.has(property.name)) return [];
      const named = declared.looks.rows.some((row) => row.when && property.name in row.when);
      const spread = property.kind !== 'heading' || named || looks.mode === 'layered' ? undefined : context.set(`Spread the look along ${property.name}`, ['looks', 'rows'],
        declared.looks.rows.flatMap((row) => (['north', 'east', 'south', 'west'] as const).map((heading) => ({ when: { [property.name]: heading, ...row.when }, use: row.use.map((candidate) => ({ ...candidate, front: heading, top: candidate.top === 'down' ? ('down' as const) : undefined })) }))));
      return [{ at: ['states', 'properties', i], message: `${name} looks the same whatever its ${property.name}: it always points the same way.`, fix: spread }];
    });
  },
});
