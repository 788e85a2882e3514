import { foundInEach } from '../../../lists/index.ts';
import { tablesIn } from '../../../loot/index.ts';
import { lookUp, idOf, ownName, type Mod } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';
import type { BlockMaking } from '../../view.ts';

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
    const used = new Set(usedBy(mod.makings, namespace, mod.lootTables));
    return Object.keys(mod.lootTables)
      .filter((name) => !used.has(idOf(namespace, name)))
      .map((name) => ({
        at: ['lootTables', name],
        says: 'tableUnused',
        parts: { id: idOf(namespace, name) },
      }));
  },
});

/** The loot tables that a block draws from, through others too. */
const usedBy = foundInEach(
  (_name: string, { loot }: BlockMaking, namespace: string, tables: Mod['lootTables']) => {
    const tableOf = (id: string) => lookUp(tables, ownName(namespace, id) ?? '')?.draws;
    return typeof loot === 'object' ? [...tablesIn(loot.draws, { tableOf })] : [];
  },
);
