import { pointer, valueAt } from '../../../json/index.ts';
import { lookUp, idOf, ownName } from '../../../mod/index.ts';
import { heldIds, isHeld } from '../../../recipes/index.ts';
import {
  causeOf,
  chanceFlaws,
  countFlaws,
  drawSentences,
  unknownGiven,
  type Known,
} from '../../draws.ts';
import { meantBy } from '../../meant.ts';
import { modRule } from '../../rule.ts';

export const tableFlawed = modRule({
  id: 'loot/table-flawed',
  severity: 'error',
  title: 'Loot table that gives what does not exist, or counts oddly',
  why: 'What is wrong in a loot table is wrong for every block that draws from it.',
  messages: drawSentences,
  fails: {
    '/lootTables/finds': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lmap', count: [3, 1] }] }],
    },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:finds' }] }] },
  },
  passes: {
    '/lootTables/finds': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', count: [1, 3] }] }],
    },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:finds' }] }] },
  },
  check(mod) {
    const { namespace } = mod.header;
    const held = () => heldIds({ header: mod.header, items: mod.things, blocks: mod.held });
    const known: Known = {
      meant: (id, candidates) =>
        meantBy(id, { ledger: mod.ledger, namespace, candidates, kinds: ['block', 'item'] }),
      namespace,
      hasItem: (id: string) =>
        isHeld({ items: mod.things, blocks: mod.held }, ownName(namespace, id)),
      hasTable: (id: string) => Object.hasOwn(mod.lootTables, ownName(namespace, id) ?? ''),
      items: () => [...held(), ...Object.keys(mod.present).map((name) => idOf(namespace, name))],
      tables: () => Object.keys(mod.lootTables).map((name) => idOf(namespace, name)),
    };
    return Object.entries(mod.lootTables).flatMap(([name, { draws }]) =>
      [...unknownGiven(draws, known), ...countFlaws(draws), ...chanceFlaws(draws)].map(
        ({ at, says, parts, mend }) => {
          const path = pointer(['lootTables', name, ...at]);
          return {
            at: ['lootTables', name, ...at],
            says,
            cause: causeOf(says, parts),
            parts: { ...parts, owner: `The loot table ${name}` },
            fix: mend && {
              title: mend.title,
              changes: [
                {
                  path,
                  before: valueAt(lookUp(mod.lootTables, name), pointer(at)),
                  after: mend.after,
                },
              ],
            },
          };
        },
      ),
    );
  },
});
