import { itemAt } from '../../../lists/index.ts';
import { chanceOf, lotChances, tooManyCases, truthTable, weightOf } from '../../../loot/index.ts';
import { isRightTool, isYielding } from '../../../traits/index.ts';
import { blockRule } from '../../rule.ts';

export const lotNeverDrawn = blockRule({
  id: 'loot/lot-never-drawn',
  severity: 'warning',
  title: 'Lot that can never be drawn',
  why:
    'A lot with a share of zero, or one that others without a share always forestall, ' +
    'never drops.',
  messages: {
    lotNeverDrawn: '{block}: lot {lot}{gives} can never be drawn: {because}.',
  },
  fails: {
    '/blocks/lamp/loot': {
      draws: [
        { times: 1, lots: [{ give: 'saltmarsh:lamp' }, { give: 'saltmarsh:bank', share: 1 }] },
      ],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp', when: { careful: true } },
            { give: 'saltmarsh:bank', share: 1 },
          ],
        },
      ],
    },
  },
  check({ name, declared, draws, traits, space }, context) {
    if (typeof declared.loot !== 'object' || space.tooLarge || tooManyCases(draws)) return [];
    // A block that yields to no tool at all is told of there, and not of its lots.
    if (!isYielding(traits, context.header)) return [];
    return draws.flatMap((draw, d) => {
      const { breakingOf, cells } = truthTable(
        { traits, space, draws: [draw] },
        context.header,
        context.loot,
      );
      const open = cells
        .map((_, cell) => breakingOf(cell))
        .filter(
          (breaking) => breaking.blast || !traits.gated || isRightTool(traits, breaking.tool),
        );
      const chances = open.map((breaking) => lotChances(draw, breaking, space));
      return draw.lots.flatMap((lot, l) => {
        // What never holds at all is another rule's to say; what only luck brings is drawn by the
        // lucky.
        if (
          lot.luck !== undefined ||
          chances.some((one) => itemAt(one, l) > 0) ||
          !open.some((breaking) => chanceOf(lot.when, breaking, space) > 0)
        )
          return [];
        const always = draw.lots.findIndex(
          (other, i) => other.share === undefined && !other.when && i !== l,
        );
        const because =
          lot.share !== undefined && weightOf(lot) <= 0
            ? `its share is ${lot.share}`
            : always >= 0
              ? `lot ${always + 1} always takes the draw`
              : 'other lots always take the draw';
        return [
          {
            at: ['loot', 'draws', d, 'lots', l],
            says: 'lotNeverDrawn',
            parts: { block: name, lot: l + 1, gives: lot.give ? ` (${lot.give})` : '', because },
            fix: context.set(
              `Remove lot ${l + 1}`,
              ['loot', 'draws', d, 'lots'],
              draw.lots.filter((_, i) => i !== l),
            ),
          },
        ];
      });
    });
  },
});
