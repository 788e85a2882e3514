import { conditionsOf } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const chanceOutside = blockRule({
  id: 'loot/chance-outside', severity: 'error', title: 'Chance outside 0 to 1',
  why: 'A chance goes from 0, never, to 1, always. One above is most often a percentage that was not divided by a hundred.',
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { chance: 40 } }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { chance: 0.4 } }] }] } },
  check({ name, draws, declared }, context) {
    if (typeof declared.loot !== 'object') return [];
    const places = [
      ...conditionsOf(draws).flatMap(({ when, at }) => (when.chance === undefined ? [] : [{ chance: when.chance, at: ['loot', ...at, 'chance'] }])),
      ...draws.flatMap((draw, d) => [{ count: draw.times, at: ['loot', 'draws', d, 'times'] }, ...draw.lots.map(({ count }, l) => ({ count, at: ['loot', 'draws', d, 'lots', l, 'count'] }))]
        .flatMap(({ count, at }) => (typeof count === 'object' && !Array.isArray(count) ? [{ chance: count.chance, at: [...at, 'chance'] }] : []))),
    ];
    return places.filter(({ chance }) => chance < 0 || chance > 1).map(({ chance, at }) => {
      const meant = chance > 1 && chance <= 100 ? chance / 100 : Math.min(1, Math.max(0, chance));
      return { at, message: `${name}: the chance ${chance} in its loot is outside 0 to 1.`, fix: context.set(`Make it ${meant}`, at, meant) };
    });
  },
});
