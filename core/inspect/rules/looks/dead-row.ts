import { itemAt } from '../../../lists/index.ts';
import { coverage } from '../../../states/index.ts';
import { count, listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

/** So many rows are named one by one; the rest is said in one sentence. */
const mostListed = 12;

export const deadRow = blockRule({
  id: 'looks/dead-row',
  severity: 'warning',
  title: 'Row that can never match',
  why:
    'The first row that matches is shown. A row whose states are all taken by rows above ' +
    'it is never reached, which is rarely what its author thinks.',
  messages: {
    neverMatches: '{block}: row {row} of the look can never match: {why}.',
    andMore: '{block}: {moreRows} of the look can never match either.',
  },
  newLooks: 'with states',
  fails: {
    '/blocks/lamp/looks/rows': [
      { use: [{ model: 'saltmarsh:lamp' }] },
      { when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] },
    ],
  },
  passes: {
    '/blocks/lamp/looks/rows': [
      { when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] },
      { use: [{ model: 'saltmarsh:lamp' }] },
    ],
  },
  check({ called, space, looks, declared }, context) {
    if (looks.mode === 'layered' || space.tooLarge) return [];
    /** The property of which a row allows no value at all. */
    const emptyIn = (row: number) =>
      Object.entries(itemAt(looks.rows, row).when ?? {}).find(
        ([, wanted]) => Array.isArray(wanted) && !wanted.length,
      )?.[0];
    // A condition that names what does not exist matches nothing either, but has its own rule.
    const dead = coverage(looks.rows, space).dead.filter(
      ({ row, coveredBy }) => coveredBy.length > 0 || emptyIn(row) !== undefined,
    );
    const without = (gone: ReadonlySet<number>) =>
      declared.looks.rows.filter((_, i) => !gone.has(i));
    const named = dead.slice(0, mostListed).map(({ row, coveredBy }) => {
      const why = coveredBy.length
        ? `${coveredBy.length > 1 ? 'rows' : 'row'} ` +
          `${listed(coveredBy.map((i) => String(i + 1)))} above it already ` +
          `cover${coveredBy.length > 1 ? '' : 's'} its states`
        : `it allows no value of ${emptyIn(row)!}`;
      return {
        at: ['looks', 'rows', row],
        says: 'neverMatches',
        parts: { block: called, row: row + 1, why },
        fix: context.set(`Remove row ${row + 1}`, ['looks', 'rows'], without(new Set([row]))),
      };
    });
    if (dead.length <= mostListed) return named;
    const all = context.set(
      `Remove all ${dead.length.toLocaleString('en')} rows that never match`,
      ['looks', 'rows'],
      without(new Set(dead.map(({ row }) => row))),
    );
    return [
      ...named,
      {
        at: ['looks', 'rows', itemAt(dead, mostListed).row],
        says: 'andMore',
        parts: { block: called, moreRows: count(dead.length - mostListed, 'more row') },
        fix: all,
      },
    ];
  },
});
