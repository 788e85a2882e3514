import { modRule } from '../../rule.ts';

/** A tool that is faster than this digs everything at once. */
const fastest = 100;

export const gradeFlawed = modRule({
  id: 'identity/grade-flawed',
  severity: 'warning',
  title: 'Grade of tools with a pace that makes no sense',
  why: 'The pace divides the time that digging takes: 1 is as slow as bare hands.',
  messages: {
    gradeFlawed: 'The grade {grade} has the pace {pace}; a pace goes from above 0 to {fastest}.',
  },
  fails: { '/header/tools/grades/0/pace': -2 },
  passes: { '/header/tools/grades/0/pace': 2 },
  check: ({ header }) =>
    header.tools.grades.flatMap(({ name, pace }, i) =>
      pace > 0 && pace <= fastest
        ? []
        : [
            {
              at: ['header', 'tools', 'grades', i, 'pace'],
              says: 'gradeFlawed',
              parts: { grade: name, pace, fastest },
            },
          ],
    ),
});
