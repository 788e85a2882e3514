import { itemAt } from '../../../lists/index.ts';
import { count } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const gradeOutOfReach = blockRule({
  id: 'traits/grade-out-of-reach',
  severity: 'error',
  guesses: true,
  title: 'Least grade that no tool reaches',
  why: 'The tool ladder ends below the least grade of the block, so no tool is ever good enough.',
  messages: {
    gradeOutOfReach: '{block} asks for grade {grade}, but the tool ladder has {ladder}.',
  },
  fails: { '/blocks/lamp/traits/leastGrade': 7 },
  passes: { '/blocks/lamp/traits/leastGrade': 2 },
  check({ traits, name }, context) {
    const { grades } = context.header.tools;
    const top = grades.length - 1;
    const meant = traits.leastGrade < 0 ? 0 : top;
    // Grade 0 asks for nothing, also where there is no ladder.
    const isReached = traits.leastGrade >= 0 && traits.leastGrade <= Math.max(0, top);
    if (traits.toolKind === 'none' || isReached) return [];
    return [
      {
        at: ['traits', 'leastGrade'],
        says: 'gradeOutOfReach',
        parts: {
          block: name,
          grade: traits.leastGrade,
          ladder: top < 0 ? 'no grade' : `${count(top + 1, 'grade')} (0 to ${top})`,
        },
        fix:
          top >= 0
            ? context.set(`Ask for ${itemAt(grades, meant).name}`, ['traits', 'leastGrade'], meant)
            : undefined,
      },
    ];
  },
});
