import type { ReadPack, ReadProblem } from '../read/index.ts';
import type { FileRule } from '../../file-rule.ts';

export const packRule = (rule: Omit<FileRule<ReadPack>, 'over'>): FileRule<ReadPack> => ({
  over: 'files',
  ...rule,
});

/**
 * A rule for what the reader itself could not take: the reader says where and what, the rule says
 * why it matters.
 */
export const readerRule = (
  rule: Omit<FileRule<ReadPack>, 'over' | 'check'> & { id: ReadProblem['rule'] },
): FileRule<ReadPack> =>
  packRule({
    ...rule,
    check: (pack) =>
      pack.problems
        .filter((problem) => problem.rule === rule.id)
        .map(({ message, file, place }) => ({ message, file, place })),
  });
