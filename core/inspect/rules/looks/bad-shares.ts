import type { Candidate } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const badShares = blockRule({
  id: 'looks/bad-shares',
  severity: 'error',
  title: 'Shares that cannot be drawn from',
  why:
    'Candidates are chosen by their shares. A negative share means nothing, a share of ' +
    'zero is never chosen, and when all are zero there is nothing to choose.',
  messages: {
    notWhole:
      '{block}: candidate {candidate} of row {row} has the share {share}; {kit} takes ' +
      'whole shares only.',
    neverChosen:
      '{block}: candidate {candidate} of row {row} has the share {share}, so it is never ' +
      'chosen.',
  },
  newLooks: 'all',
  fails: { '/blocks/bank/looks/rows/0/use': [{ model: 'saltmarsh:bank', share: 0 }] },
  passes: { '/blocks/bank/looks/rows/0/use': [{ model: 'saltmarsh:bank', share: 2 }] },
  check: ({ called, looks }, context) =>
    looks.rows.flatMap((row, r) =>
      row.value.flatMap(({ share }, c) => {
        const wholeShares = (use: Candidate[]) =>
          context.set(
            'Make the shares whole',
            ['looks', 'rows', r, 'use'],
            use.map((one) => ({ ...one, share: Math.max(1, Math.round((one.share ?? 1) * 10)) })),
          );
        const at = ['looks', 'rows', r, 'use', c, 'share'];
        if (
          share !== undefined &&
          share > 0 &&
          context.kit.limits.wholeShares &&
          !Number.isInteger(share)
        )
          return [
            {
              at,
              says: 'notWhole',
              parts: { block: called, candidate: c + 1, row: r + 1, share, kit: context.kit.title },
              fix: wholeShares(row.value),
            },
          ];
        if (share === undefined || share > 0) return [];
        return [
          {
            at,
            says: 'neverChosen',
            parts: { block: called, candidate: c + 1, row: r + 1, share },
            fix: context.set('Give it the share 1', at, 1),
          },
        ];
      }),
    ),
});
