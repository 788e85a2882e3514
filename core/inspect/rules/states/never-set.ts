import { firstPlacingRule } from '../../../placing/index.ts';
import { isOrientation, type Property } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const neverSet = blockRule({
  id: 'states/never-set',
  severity: 'hint',
  guesses: true,
  title: 'Property that nothing sets',
  why:
    'No rule of placing and no reaction sets the property, and it is not marked as changed by the ' +
    "mod's own code. So it always has its default, and the other states never appear in the game.",
  messages: {
    neverSet: '{block}: nothing sets {property}, so it is always {default}.',
  },
  fails: { '/blocks/lamp/states/properties/1/byCode': null },
  passes: {
    '/blocks/lamp/states/properties/1/byCode': null,
    '/blocks/lamp/states/placing/1': { set: 'lit', to: 'crouching' },
  },
  check({ name, space, declared }, context) {
    const setByPlacing = (property: Property) => {
      const rule = firstPlacingRule(property);
      const rules = [...(declared.states.placing ?? []), rule];
      return context.set(`Set it ${rule.to} when placed`, ['states', 'placing'], rules);
    };
    const set = new Set([
      ...(declared.states.placing ?? []).map((rule) => rule.set),
      ...(declared.reactions ?? []).flatMap(({ then }) =>
        then.flatMap((action) =>
          'property' in action
            ? [action.property]
            : 'state' in action
              ? Object.keys(action.state ?? {})
              : [],
        ),
      ),
    ]);
    return space.properties.flatMap((property, i) =>
      property.byCode || set.has(property.name)
        ? []
        : [
            {
              at: ['states', 'properties', i],
              says: 'neverSet',
              parts: { block: name, property: property.name, default: String(property.default) },
              // How a block is turned follows from how it is placed; the rest nobody can know.
              fix: isOrientation(property.kind)
                ? setByPlacing(property)
                : context.set(
                    "The mod's code changes it",
                    ['states', 'properties', i, 'byCode'],
                    true,
                  ),
            },
          ],
    );
  },
});
