import type { ReadPack, ReadProblem } from '../read/index.ts';
import { fileRule, type FileRule } from '../../file-rule.ts';

/** A rule over a pack as the reader took it in. */
export const packRule = (rule: Parameters<typeof fileRule<ReadPack>>[0]): FileRule<ReadPack> =>
  fileRule(rule);

/**
 * A rule for what the reader itself could not take: the reader says where and what, the rule says
 * why it matters.
 */
export const readerRule = (
  rule: Omit<FileRule<ReadPack>, 'over' | 'check'> & { id: ReadProblem['rule'] },
): FileRule<ReadPack> => ({
  over: 'files',
  ...rule,
  check: (pack) =>
    pack.problems
      .filter((problem) => problem.rule === rule.id)
      .map(({ rule: _, ...report }) => report),
});
