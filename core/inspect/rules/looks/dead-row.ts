import { coverage } from '../../../states/index.ts';
import { listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const deadRow = blockRule({
  id: 'looks/dead-row', severity: 'warning', title: 'Row that can never match',
  why: 'The first row that matches is shown. A row whose states are all taken by rows above it is never reached, which is rarely what its author thinks.',
  fails: { '/blocks/lamp/looks/rows': [{ use: [{ model: 'saltmarsh:lamp' }] }, { when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] }] },
  passes: { '/blocks/lamp/looks/rows': [{ when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] }, { use: [{ model: 'saltmarsh:lamp' }] }] },
  check({ name, space, looks, declared }, context) {
    if (looks.mode === 'layered' || space.tooLarge) return [];
    return coverage(looks.rows, space).dead.flatMap(({ row, coveredBy }) => {
      if (!coveredBy.length) {
        // A condition that names what does not exist has its own rule; one that lists no value at all is found here.
        const empty = Object.entries(looks.rows[row]!.when ?? {}).find(([, wanted]) => Array.isArray(wanted) && !wanted.length)?.[0];
        return empty === undefined ? [] : [{ at: ['looks', 'rows', row], message: `${name}: row ${row + 1} of the look can never match: it allows no value of ${empty}.`, fix: context.set(`Remove row ${row + 1}`, ['looks', 'rows'], declared.looks.rows.filter((_, i) => i !== row)) }];
      }
      const rows = `${coveredBy.length > 1 ? 'rows' : 'row'} ${listed(coveredBy.map((i) => String(i + 1)))}`;
      return [{ at: ['looks', 'rows', row], message: `${name}: row ${row + 1} of the look can never match: ${rows} above it already cover${coveredBy.length > 1 ? '' : 's'} its states.`, fix: context.set(`Remove row ${row + 1}`, ['looks', 'rows'], declared.looks.rows.filter((_, i) => i !== row)) }];
    });
  },
});
