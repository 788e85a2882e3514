import { carried } from '../../../mod/index.ts';
import { listed } from '../../../words/index.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

export const stateLost = blockRule({
  id: 'loot/state-lost',
  severity: 'warning',
  guesses: true,
  title: 'State that does not come back',
  why:
    'Placing takes the property from the item, but the item that drops does not carry it. ' +
    'Whoever digs the block up and places it again finds it changed.',
  messages: {
    carriesUnknown: '{block}: lot {lot} carries {properties}, which the block does not have.',
    notCarried:
      '{block}: placing takes {properties} from the item, but lot {lot} does not carry {pronoun}.',
  },
  fails: {
    '/blocks/lamp/states/placing/1': { set: 'lit', to: 'from the item' },
    '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] },
  },
  passes: {
    '/blocks/lamp/states/placing/1': { set: 'lit', to: 'from the item' },
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', keeps: ['lit'] }] }],
    },
  },
  check({ name, declared, id }, context) {
    const { loot, states } = declared;
    if (typeof loot !== 'object') return [];
    const wanted = carried(states);
    return loot.draws.flatMap((draw, d) =>
      draw.lots.flatMap(({ give, keeps = [] }, l): BlockReport[] => {
        const at = ['loot', 'draws', d, 'lots', l, 'keeps'];
        const odd = keeps.filter(
          (property) => !states.properties.some((one) => one.name === property),
        );
        if (odd.length)
          return [
            {
              at,
              says: 'carriesUnknown',
              parts: { block: name, lot: l + 1, properties: listed(odd) },
              fix: context.set(
                'Carry only what there is',
                at,
                keeps.filter((property) => !odd.includes(property)),
              ),
            },
          ];
        const lost = give === id ? wanted.filter((property) => !keeps.includes(property)) : [];
        return lost.length
          ? [
              {
                at: at.slice(0, -1),
                says: 'notCarried',
                parts: {
                  block: name,
                  properties: listed(lost),
                  lot: l + 1,
                  pronoun: lost.length === 1 ? 'it' : 'them',
                },
                fix: context.set(`Carry ${listed(lost)}`, at, [...keeps, ...lost]),
              },
            ]
          : [];
      }),
    );
  },
});
