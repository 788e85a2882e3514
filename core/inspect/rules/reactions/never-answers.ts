import { startsOf } from '../../../placing/index.ts';
import { reactionReach, whenInWords, type WhyDead } from '../../../reactions/index.ts';
import { blockRule } from '../../rule.ts';

const lit = { do: 'set', property: 'lit', to: true };
const used = (asked?: object) => ({ when: 'used', ...(asked && { if: asked }), then: [lit] });

const says: Readonly<Record<WhyDead, string>> = {
  'the state never is': 'state',
  'it can never hold': 'never',
  'an earlier one always answers': 'earlier',
  'another one is sooner': 'sooner',
};

export const reactionNeverAnswers = blockRule({
  id: 'reactions/never-answers',
  severity: 'warning',
  title: 'Reaction that can never happen',
  why:
    'Of the reactions to something the first that fits answers. One whose conditions never hold, ' +
    'or before which another one always answers, looks as if it did something and never does.',
  messages: {
    state: '{block}: reaction {number}, when {when}, asks for a state that it is never in.',
    never: '{block}: reaction {number}, when {when}, asks for what can never hold.',
    earlier: '{block}: before reaction {number}, when {when}, an earlier one always answers.',
    sooner: '{block}: before reaction {number}, when {when}, another one is always sooner.',
  },
  fails: { '/blocks/lamp/reactions': [used(), used({ crouching: true })] },
  passes: { '/blocks/lamp/reactions': [used({ crouching: true }), used()] },
  check(block, context) {
    const { reactions = [] } = block.declared;
    if (!reactions.length || block.space.tooLarge) return [];
    const { dead } = reactionReach(
      reactions,
      block.space,
      startsOf(block, context.comesAs(block.id)),
      {
        id: block.id,
      },
    );
    return reactions.flatMap((reaction, i) => {
      const why = dead[i];
      if (!why) return [];
      return [
        {
          at: ['reactions', i],
          says: says[why],
          parts: { block: block.name, number: i + 1, when: whenInWords(reaction) },
          fix: context.set('Remove the reaction', ['reactions'], reactions.toSpliced(i, 1)),
        },
      ];
    });
  },
});
