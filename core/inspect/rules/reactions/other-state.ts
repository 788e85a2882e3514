import { idOf, lookUp, ownName, type Reaction } from '../../../mod/index.ts';
import { valuesOf, type Property, type State, type When } from '../../../states/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

const beside = (state: object) => ({
  '/blocks/bank/reactions': [
    {
      when: 'neighbour changes',
      if: { neighbour: { is: 'saltmarsh:lamp', state } },
      then: [{ do: 'drop', item: 'saltmarsh:bank' }],
    },
  ],
});

export const reactionOtherState = modRule({
  id: 'reactions/other-state',
  severity: 'error',
  title: 'Reaction about a state that another block does not have',
  why:
    'A reaction asks for a state of its neighbour, or lets a block come in one. What that block ' +
    'does not have never holds, and never comes.',
  messages: {
    noProperty: '{block}: reaction {number} names {property} of {other}, which it does not have.',
    noValue:
      '{block}: reaction {number} names {property} = {value} of {other}, which is no value of it.',
  },
  fails: beside({ lit: 'true' }),
  passes: beside({ lit: true }),
  check: (mod) =>
    Object.entries(mod.reacting).flatMap(([name, { reactions = [] }]) =>
      reactions.flatMap((reaction, i) =>
        asked(reaction).flatMap(({ id, state, at }): ModReport[] => {
          const other = lookUp(mod.reacting, ownName(mod.header.namespace, id) ?? '');
          if (!other) return [];
          return flaws(other.states.properties, state).map(({ property, value }) => ({
            at: ['blocks', name, 'reactions', i, ...at, property],
            block: name,
            says: value === undefined ? 'noProperty' : 'noValue',
            parts: {
              block: name,
              number: i + 1,
              property,
              other: idOf(mod.header.namespace, ownName(mod.header.namespace, id) ?? ''),
              ...(value !== undefined && { value }),
            },
          }));
        }),
      ),
    ),
});

interface Asked {
  id: string;
  state: When | State;
  at: (string | number)[];
}

/** The states of other blocks that a reaction names. */
function asked({ if: condition, then }: Reaction): Asked[] {
  const neighbour = condition?.neighbour;
  return [
    ...(neighbour?.state
      ? [{ id: neighbour.is, state: neighbour.state, at: ['if', 'neighbour', 'state'] }]
      : []),
    ...then.flatMap((action, i): Asked[] =>
      (action.do === 'become' || action.do === 'place') && action.state
        ? [{ id: action.block, state: action.state, at: ['then', i, 'state'] }]
        : [],
    ),
  ];
}

/** What of a state a block does not have: a property, or a value of one. */
const flaws = (
  properties: readonly Property[],
  state: When | State,
): { property: string; value?: string }[] =>
  Object.entries(state).flatMap(([name, wanted]): { property: string; value?: string }[] => {
    const property = properties.find((one) => one.name === name);
    if (!property) return [{ property: name }];
    const values = valuesOf(property);
    return [wanted]
      .flat()
      .filter((value) => !values.includes(value))
      .map((value) => ({ property: name, value: String(value) }));
  });
