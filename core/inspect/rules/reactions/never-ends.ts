import { idOf, type Block } from '../../../mod/index.ts';
import { loopsAmong } from '../../../reactions/index.ts';
import { StateSpace } from '../../../states/index.ts';
import { modRule } from '../../rule.ts';

const flips = [{ when: 'neighbour changes', then: [{ do: 'flip', property: 'lit' }] }];
const lights = [{ when: 'signal comes', then: [{ do: 'set', property: 'lit', to: true }] }];

export const reactionNeverEnds = modRule({
  id: 'reactions/never-ends',
  severity: 'error',
  title: 'Reactions that never end',
  why:
    'Side by side these blocks answer each other in every tick, for ever. It costs every player ' +
    'time for as long as the two stand there, and nobody sees what it is for.',
  messages: {
    itself: 'Two of {one} side by side answer each other for ever, every {ticks}.',
    two: '{one} and {other} side by side answer each other for ever, every {ticks}.',
  },
  fails: { '/blocks/lamp/reactions': flips },
  passes: { '/blocks/lamp/reactions': lights },
  check(mod) {
    const { namespace } = mod.header;
    const blocks = Object.entries(mod.reacting).flatMap(([name, { reactions, states }]) =>
      reactions?.length ? [reacting(idOf(namespace, name), reactions, states)] : [],
    );
    return loopsAmong(blocks.filter(({ space }) => !space.tooLarge)).map(
      ({ blocks: [one, other], period }) => {
        const name = one.slice(one.indexOf(':') + 1);
        return {
          at: ['blocks', name, 'reactions'],
          block: name,
          says: one === other ? 'itself' : 'two',
          parts: {
            one,
            ...(one !== other && { other }),
            ticks: period === 1 ? 'tick' : `${period} ticks`,
          },
        };
      },
    );
  },
});

const reacting = (
  id: string,
  reactions: NonNullable<Block['reactions']>,
  states: Block['states'],
) => ({ id, reactions, space: new StateSpace(states.properties) });
