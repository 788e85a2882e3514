import { lookUp, idOf, ownName } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const tableCircle = modRule({
  id: 'loot/table-circle',
  severity: 'error',
  title: 'Loot tables in a circle',
  why: 'A table that leads back to itself would never end. The second time it brings nothing.',
  messages: {
    tableCircle: 'Loot tables in a circle: {way}.',
  },
  fails: {
    '/lootTables/a': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:b' }] }] },
    '/lootTables/b': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:a' }] }] },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:a' }] }] },
  },
  passes: {
    '/lootTables/a': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:b' }] }] },
    '/lootTables/b': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank' }] }] },
    '/blocks/bank/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:a' }] }] },
  },
  check(mod) {
    const { namespace } = mod.header;
    const inner = (id: string) =>
      (lookUp(mod.lootTables, ownName(namespace, id) ?? '')?.draws ?? []).flatMap(({ lots }) =>
        lots.flatMap(({ table }) => table ?? []),
      );
    return Object.keys(mod.lootTables)
      .sort()
      .flatMap((name) => {
        const start = idOf(namespace, name);
        // The shortest way back, breadth first; told once, by the first of its tables.
        const from = new Map(inner(start).map((id) => [id, start]));
        for (const id of from.keys())
          for (const next of id === start ? [] : inner(id)) if (!from.has(next)) from.set(next, id);
        if (!from.has(start)) return [];
        const way = [start];
        for (let at = from.get(start)!; at !== start; at = from.get(at)!) way.unshift(at);
        if (way.some((id) => id < start)) return [];
        return [
          {
            at: ['lootTables', name],
            says: 'tableCircle',
            parts: { way: [start, ...way].join(' draws from ') },
          },
        ];
      });
  },
});
