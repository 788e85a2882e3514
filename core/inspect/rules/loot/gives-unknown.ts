import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

export const givesUnknown = blockRule({
  id: 'loot/gives-unknown', severity: 'error', title: 'Gives something that does not exist',
  why: 'A lot that names an item or a table that does not exist drops nothing. A block that drops itself needs an item form to be held.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lmap' }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] } },
  check({ name, declared, draws, id }, context) {
    if (declared.loot === 'itself')
      return context.hasItem(id) ? [] : [{ at: ['loot'], message: `${name} drops itself, but has no item form that could be dropped.`, fix: context.set('Hold it as the block', ['identity', 'item'], 'block') }];
    const own = `${context.header.namespace}:`;
    // What other mods bring is theirs to know.
    const unknown = (given: string, there: boolean, what: string, ids: () => string[], at: (string | number)[]): BlockReport[] => {
      if (there || !given.startsWith(own)) return [];
      const near = closest(given, ids());
      return [{ at, message: `${name} gives ${given}, which is no ${what} of the mod.${didYouMean(near)}`, fix: near && near !== given ? context.set(`Give ${near}`, at, near) : undefined }];
    };
    return draws.flatMap((draw, d) => draw.lots.flatMap(({ give, table }, l) => {
      const at = ['loot', 'draws', d, 'lots', l];
      return [
        ...(give === undefined ? [] : unknown(give, context.hasItem(give), 'item', () => [...context.idsOf('items'), ...context.idsOf('blocks')], [...at, 'give'])),
        ...(table === undefined ? [] : unknown(table, context.loot.tableOf(table) !== undefined, 'loot table', () => context.idsOf('lootTables'), [...at, 'table'])),
      ];
    }));
  },
});
