import { coverage } from '../../../states/index.ts';
import { count } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const stateWithoutRow = blockRule({
  id: 'looks/state-without-row', severity: 'error', title: 'State without a look',
  why: 'A state that no row matches shows the marker of an unresolved model in the game.',
  fails: { '/blocks/lamp/looks/rows/3/when': { lit: true } },
  passes: { '/blocks/lamp/looks/rows/3/when': { lit: [false, true] } },
  check({ name, space, looks, declared }, context) {
    if (looks.mode === 'layered' || space.tooLarge) return [];
    const { uncovered, wins } = coverage(looks.rows, space);
    const first = uncovered.first;
    if (first === undefined) return [];
    // The nearest covered state, and of equals the first, lends its look.
    let nearest: { row: number; apart: number } | undefined;
    wins.forEach((won, row) => {
      for (const state of won) {
        const apart = space.distance(first, state);
        if (!nearest || apart < nearest.apart) nearest = { row, apart };
      }
    });
    const lent = nearest && declared.looks.rows[nearest.row]!.use;
    const many = uncovered.count;
    const message = many > 1 ? `${name}: ${count(many, 'state')} have no look; the first is ${space.describe(first)}.` : `${name}: the state ${space.describe(first)} has no look.`;
    const fix = lent ? context.set(many > 1 ? 'Copy the nearest look for all of them' : 'Copy the look of the nearest state', ['looks', 'rows'], [...declared.looks.rows, ...missingRows()]) : undefined;
    return [{ at: ['looks', 'rows'], message, fix }];

    function missingRows() {
      if (many > 64) return [{ use: lent }];
      return [...uncovered].map((state) => {
        let best = { row: nearest!.row, apart: Infinity };
        wins.forEach((won, row) => {
          for (const covered of won) {
            const apart = space.distance(state, covered);
            if (apart < best.apart) best = { row, apart };
          }
        });
        return { when: space.decode(state), use: declared.looks.rows[best.row]!.use };
      });
    }
  },
});
