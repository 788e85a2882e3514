import type { ReadProblem } from '../kits/block-pack/read/index.ts';
import { packRule, type PackRule } from './rule.ts';

/** A rule for what the reader itself could not take: the reader says where and what, the rule says why it matters. */
export const readerRule = (
  rule: Omit<PackRule, 'over' | 'check'> & { id: ReadProblem['rule'] },
): PackRule =>
  packRule({
    ...rule,
    check: (pack) =>
      pack.problems
        .filter((problem) => problem.rule === rule.id)
        .map(({ message, file, place }) => ({ message, file, place })),
  });
