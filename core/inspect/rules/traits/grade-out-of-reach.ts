import { count } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const gradeOutOfReach = blockRule({
  id: 'traits/grade-out-of-reach',
  severity: 'error',
  title: 'Least grade that no tool reaches',
  why: 'The tool ladder ends below the least grade of the block, so no tool is ever good enough.',
  messages: {
    gradeOutOfReach:
      '{block} asks for grade {grade}, but the tool ladder has {grades} (0 to {top}).',
  },
  fails: { '/blocks/lamp/traits/leastGrade': 7 },
  passes: { '/blocks/lamp/traits/leastGrade': 2 },
  check({ traits, name }, context) {
    const top = context.header.tools.grades.length - 1;
    if (traits.toolKind === 'none' || (traits.leastGrade <= top && traits.leastGrade >= 0))
      return [];
    return [
      {
        at: ['traits', 'leastGrade'],
        says: 'gradeOutOfReach',
        parts: { block: name, grade: traits.leastGrade, grades: count(top + 1, 'grade'), top },
        fix:
          top >= 0
            ? context.set(
                `Ask for grade ${traits.leastGrade < 0 ? 0 : top}`,
                ['traits', 'leastGrade'],
                traits.leastGrade < 0 ? 0 : top,
              )
            : undefined,
      },
    ];
  },
});
