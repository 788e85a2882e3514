import { tablesIn } from '../../../loot/index.ts';
import { lookUp, idOf, ownName } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const tableUnused = modRule({
  id: 'loot/table-unused',
  severity: 'hint',
  title: 'Loot table that no block uses',
  why:
    'A table from which nobody draws does nothing. Often the block that should draw from ' +
    'it names another one.',
  messages: {
    tableUnused: 'No block draws from the loot table {id}.',
  },
  fails: { '/lootTables/finds': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] } },
  passes: {
    '/lootTables/finds': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:finds' }] }] },
  },
  restsOn: ['blocks', 'lootTables'],
  check(mod) {
    const { namespace } = mod.header;
    const tableOf = (id: string) => lookUp(mod.lootTables, ownName(namespace, id) ?? '')?.draws;
    const used = new Set(
      Object.values(mod.makings).flatMap(({ loot }) =>
        typeof loot === 'object' ? tablesIn(loot.draws, { tableOf }) : [],
      ),
    );
    return Object.keys(mod.lootTables)
      .filter((name) => !used.has(idOf(namespace, name)))
      .map((name) => ({
        at: ['lootTables', name],
        says: 'tableUnused',
        parts: { id: idOf(namespace, name) },
      }));
  },
});
