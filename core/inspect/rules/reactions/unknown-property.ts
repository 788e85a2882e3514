import { valuesOf, type Property, type Value } from '../../../states/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

const setting = (property: string, to: Value) => ({
  '/blocks/lamp/reactions': [{ when: 'used', then: [{ do: 'set', property, to }] }],
});

export const reactionUnknownProperty = blockRule({
  id: 'reactions/unknown-property',
  severity: 'error',
  title: 'Reaction about a property or value that does not exist',
  why: 'What the block does not have cannot be asked for and cannot be changed.',
  messages: {
    noProperty:
      '{block}: reaction {number} names the property {property}, which it does not have.{hint}',
    noValue: '{block}: reaction {number} names {property} = {value}, which is none of its values.',
    notStepped: '{block}: reaction {number} counts {property} up or down, which is no number.',
  },
  fails: setting('lti', true),
  passes: setting('lit', true),
  check({ name, space, declared }, context) {
    const byName = new Map(space.properties.map((property) => [property.name, property]));
    const hint = (property: string) => didYouMean(closest(property, byName.keys()));
    return (declared.reactions ?? []).flatMap((reaction, i): BlockReport[] => {
      const parts = (more: Record<string, string>) => ({ block: name, number: i + 1, ...more });
      const unknown = (property: string, at: (string | number)[]): BlockReport => {
        const near = closest(property, byName.keys());
        return {
          at,
          says: 'noProperty',
          parts: parts({ property, hint: hint(property) }),
          ...(near !== undefined &&
            at.at(-1) === 'property' && { fix: context.set(`Name ${near}`, at, near) }),
        };
      };
      const asked = Object.entries(reaction.if?.state ?? {}).flatMap(([property, wanted]) => {
        const at = ['reactions', i, 'if', 'state', property];
        const known = byName.get(property);
        if (!known) return [unknown(property, at)];
        return [wanted]
          .flat()
          .flatMap((value): BlockReport[] =>
            has(known, value)
              ? []
              : [{ at, says: 'noValue', parts: parts({ property, value: String(value) }) }],
          );
      });
      const done = reaction.then.flatMap((action, n): BlockReport[] => {
        if (!('property' in action)) return [];
        const at = ['reactions', i, 'then', n, 'property'];
        const known = byName.get(action.property);
        if (!known) return [unknown(action.property, at)];
        if (action.do === 'step' && known.kind !== 'number')
          return [{ at, says: 'notStepped', parts: parts({ property: action.property }) }];
        if (action.do !== 'set' || has(known, action.to)) return [];
        return [
          {
            at: ['reactions', i, 'then', n, 'to'],
            says: 'noValue',
            parts: parts({ property: action.property, value: String(action.to) }),
          },
        ];
      });
      return [...asked, ...done];
    });
  },
});

const has = (property: Property, value: Value): boolean => valuesOf(property).includes(value);
