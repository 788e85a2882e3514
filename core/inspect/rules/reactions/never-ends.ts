import { idOf, type Block } from '../../../mod/index.ts';
import { loopsAmong, type ReactingBlock } from '../../../reactions/index.ts';
import { StateSpace } from '../../../states/index.ts';
import { listed } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

const flips = [{ when: 'neighbour changes', then: [{ do: 'flip', property: 'lit' }] }];
const lights = [{ when: 'signal comes', then: [{ do: 'set', property: 'lit', to: true }] }];

export const reactionNeverEnds = modRule({
  id: 'reactions/never-ends',
  severity: 'error',
  title: 'Reactions that never end',
  why:
    'Side by side these blocks answer each other in every tick, for ever. It costs every player ' +
    'time for as long as they stand there, and nobody sees what it is for.',
  messages: {
    itself: 'Two of {one} side by side answer each other for ever, every {ticks}.',
    several: 'Side by side {several} answer each other for ever, every {ticks}.',
    two: '{one} and {other} side by side answer each other for ever, every {ticks}.',
  },
  fails: { '/blocks/lamp/reactions': flips },
  passes: { '/blocks/lamp/reactions': lights },
  check(mod) {
    const { namespace } = mod.header;
    const blocks = Object.entries(mod.reacting).flatMap(([name, block]) =>
      block.reactions?.length ? [reacting(idOf(namespace, name), block)] : [],
    );
    return loopsAmong(blocks.filter(({ space }) => !space.tooLarge)).map(
      ({ blocks: ids, period }) => {
        const [id = ''] = ids;
        const name = id.slice(id.indexOf(':') + 1);
        const ticks = period === 1 ? 'tick' : `${period} ticks`;
        return { at: ['blocks', name, 'reactions'], block: name, ...told(ids, ticks) };
      },
    );
  },
});

/** The message of a loop, and what is put into it. */
function told(ids: readonly string[], ticks: string): { says: string; parts: Parts } {
  const of = countsOf(ids);
  if (ids.length > 2)
    return { says: 'several', parts: { several: listed(of.map(inWords)), ticks } };
  const [[one] = [''], [other] = ['']] = of;
  return of.length === 1
    ? { says: 'itself', parts: { one, ticks } }
    : { says: 'two', parts: { one, other, ticks } };
}
type Parts = Record<string, string>;

/** Each id and how often it is there. */
const countsOf = (ids: readonly string[]): [id: string, times: number][] =>
  [...new Set(ids)].map((id) => [id, ids.filter((one) => one === id).length]);
const inWords = ([id, times]: readonly [string, number]): string =>
  times === 1 ? id : `${['two', 'three', 'four'][times - 2]} of ${id}`;

type Declared = Pick<Block, 'reactions' | 'states'>;
const known = new WeakMap<object, { id: string; states: object; block: ReactingBlock }>();

/** A block as the world of reactions knows it; the same one while nothing of it changes. */
function reacting(id: string, { reactions = [], states }: Declared): ReactingBlock {
  const before = known.get(reactions);
  if (before?.id === id && before.states === states) return before.block;
  const block = { id, reactions, space: new StateSpace(states.properties) };
  known.set(reactions, { id, states, block });
  return block;
}
