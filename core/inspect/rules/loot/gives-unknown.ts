import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const givesUnknown = blockRule({
  id: 'loot/gives-unknown', severity: 'error', title: 'Gives something that does not exist',
  why: 'A lot that names an item that does not exist drops nothing. A block that drops itself needs an item form to be held.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lmap' }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] } },
  check({ name, declared, draws, id }, context) {
    if (declared.loot === 'itself')
      return context.hasItem(id) ? [] : [{ at: ['loot'], message: `${name} drops itself, but has no item form that could be dropped.`, fix: context.set('Hold it as the block', ['identity', 'item'], 'block') }];
    return draws.flatMap((draw, d) => draw.lots.flatMap(({ give }, l) => {
      // Items of other mods are theirs to know.
      if (context.hasItem(give) || !give.startsWith(`${context.header.namespace}:`)) return [];
      const near = closest(give, [...context.idsOf('items'), ...context.idsOf('blocks')]);
      const at = ['loot', 'draws', d, 'lots', l, 'give'];
      return [{ at, message: `${name} gives ${give}, which is no item of the mod.${didYouMean(near)}`, fix: near && near !== give ? context.set(`Give ${near}`, at, near) : undefined }];
    }));
  },
});
