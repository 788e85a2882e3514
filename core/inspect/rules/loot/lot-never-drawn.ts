import { blockRule } from '../../rule.ts';

export const lotNeverDrawn = blockRule({
  id: 'loot/lot-never-drawn', severity: 'warning', title: 'Lot that can never be drawn',
  why: 'A lot with a share of zero, or below a lot that always takes the draw, or with a condition that no tool fulfils, never drops.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }, { give: 'saltmarsh:bank', share: 1 }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { careful: true } }, { give: 'saltmarsh:bank', share: 1 }] }] } },
  check({ name, declared, draws }, context) {
    if (typeof declared.loot !== 'object') return [];
    const { kinds, grades } = context.header.tools;
    return draws.flatMap((draw, d) => draw.lots.flatMap((lot, l) => {
      const at = ['loot', 'draws', d, 'lots', l];
      const always = draw.lots.findIndex((other, i) => other.share === undefined && !other.when && (i < l || lot.share !== undefined) && i !== l);
      const because = lot.share !== undefined && lot.share <= 0 ? `its share is ${lot.share}`
        : always >= 0 ? `lot ${always + 1} always takes the draw`
          : lot.when?.tool !== undefined && !kinds[lot.when.tool] ? `the mod has no ${lot.when.tool}`
            : (lot.when?.grade ?? 0) >= Math.max(1, grades.length) ? `no tool reaches grade ${lot.when!.grade}` : undefined;
      if (!because) return [];
      return [{ at, message: `${name}: lot ${l + 1} (${lot.give}) can never be drawn: ${because}.`, fix: context.set(`Remove lot ${l + 1}`, ['loot', 'draws', d, 'lots'], draw.lots.filter((_, i) => i !== l)) }];
    }));
  },
});
