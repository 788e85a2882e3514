import type { Placing } from '../../../mod/index.ts';
import { hasValue, type Property } from '../../../states/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import type { BlockContext } from '../../context.ts';
import type { Fix } from '../../finding.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

/**
 * The kinds of property that each way of placing can set; the others give the values that the rule
 * itself names.
 */
const fitting: Partial<Record<Placing['to'], readonly Property['kind'][]>> = {
  'toward the player': ['heading', 'direction'],
  'away from the player': ['heading', 'direction'],
  'clicked side': ['direction', 'heading'],
  'along the clicked side': ['axis'],
  'away from a solid neighbour': ['heading', 'direction', 'axis'],
  corner: ['choice'],
};

/** The first way of placing that sets such a property by where the player stands or clicks. */
function inItsWay(
  { kind }: Property,
  context: BlockContext,
  at: (string | number)[],
): Fix | undefined {
  const [way] = Object.entries(fitting).find(([, kinds]) => kinds.includes(kind)) ?? [];
  return way === undefined ? undefined : context.set(`Set it ${way}`, [...at, 'to'], way);
}

export const placingUnfit = blockRule({
  id: 'states/placing-unfit',
  severity: 'error',
  title: 'Placing gives a value that the property does not have',
  why:
    'A placing rule sets a property when the block is placed. If the property does not ' +
    'exist, or cannot hold what the rule gives, the block is placed in a wrong state.',
  messages: {
    propertyUnknown: '{block}: placing sets {property}, which is no property of the block.{hint}',
    kindUnfit: '{block}: placing sets {property} {how}, but {property} is a {kind}.',
    sideMissing:
      '{block}: placing sets {property} when a side is joined, but does not say which side.',
    valueMissing: '{block}: placing sets {property} and does not say to what.',
    valueUnknown: '{block}: placing sets {property} to {value}, which is not one of its values.',
  },
  fails: { '/blocks/lamp/states/placing/0': { set: 'heading', to: 'along the clicked side' } },
  passes: {
    '/blocks/lamp/states/placing/0': { set: 'heading', to: 'away from the player' },
    '/blocks/lamp/states/placing/1': { set: 'lit', to: 'joined', side: 'north' },
  },
  check({ name, space, declared }, context) {
    const { placing = [] } = declared.states;
    return placing.flatMap((rule, i): BlockReport[] => {
      const property = space.properties.find((one) => one.name === rule.set);
      const at = ['states', 'placing', i];
      const without = () =>
        context.set(
          'Remove the rule',
          ['states', 'placing'],
          placing.length > 1 ? placing.filter((_, other) => other !== i) : undefined,
        );
      if (!property) {
        const near = closest(
          rule.set,
          space.properties.map((one) => one.name),
        );
        return [
          {
            at: [...at, 'set'],
            says: 'propertyUnknown',
            parts: { block: name, property: rule.set, hint: didYouMean(near) },
            fix: near ? context.set(`Set ${near}`, [...at, 'set'], near) : without(),
          },
        ];
      }
      const kinds = fitting[rule.to];
      if (kinds)
        return kinds.includes(property.kind)
          ? []
          : [
              {
                at: [...at, 'to'],
                says: 'kindUnfit',
                parts: { block: name, property: rule.set, how: rule.to, kind: property.kind },
                fix: inItsWay(property, context, at) ?? without(),
              },
            ];
      if (rule.to === 'joined' && !rule.side)
        return [
          {
            at,
            says: 'sideMissing',
            parts: { block: name, property: rule.set },
            fix: without(),
          },
        ];
      const needed = rule.to === 'fixed' || property.kind !== 'toggle' ? ['value' as const] : [];
      const odd = (['value', 'otherwise'] as const).find((key) =>
        rule[key] === undefined
          ? (needed as string[]).includes(key)
          : !hasValue(property, rule[key]),
      );
      if (odd === undefined) return [];
      return [
        {
          at: [...at, odd],
          ...(rule[odd] === undefined
            ? { says: 'valueMissing', parts: { block: name, property: rule.set } }
            : {
                says: 'valueUnknown',
                parts: { block: name, property: rule.set, value: String(rule[odd]) },
              }),
          fix: context.set(`Make it ${String(property.default)}`, [...at, odd], property.default),
        },
      ];
    });
  },
});
