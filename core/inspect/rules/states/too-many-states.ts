import { whatToDrop } from '../../../states/index.ts';
import { count, listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const tooManyStates = blockRule({
  id: 'states/too-many-states',
  severity: 'error',
  title: 'Too many states for the kit',
  why:
    'Every combination of values is a state. A saved world has only so many bits for a ' +
    'state, and each state costs memory.',
  messages: {
    tooManyStates: '{block} has {states}; {kit} holds at most {most}.{hint}',
  },
  fails: {
    '/blocks/lamp/states/properties/2': {
      name: 'level',
      kind: 'number',
      min: 0,
      max: 999_999,
      default: 0,
      byCode: true,
    },
  },
  passes: {},
  check({ name, space }, context) {
    const { kit } = context;
    const most = Math.min(kit.limits.states, 2 ** kit.limits.stateCodeBits);
    if (space.trueSize <= most) return [];
    const [way] = whatToDrop(space, Math.floor(Math.log2(most)));
    const hint = way
      ? ` Without ${listed(way.properties)} there would be ${way.states.toLocaleString('en')}.`
      : '';
    return [
      {
        at: ['states', 'properties'],
        says: 'tooManyStates',
        parts: {
          block: name,
          states: count(space.trueSize, 'state'),
          kit: kit.title,
          most: most.toLocaleString('en'),
          hint,
        },
      },
    ];
  },
});
