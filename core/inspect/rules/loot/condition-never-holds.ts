import { chanceOf, conditionWords, truthTable } from '../../../loot/index.ts';
import { isRightTool, isYielding } from '../../../traits/index.ts';
import { blockRule } from '../../rule.ts';

export const conditionNeverHolds = blockRule({
  id: 'loot/condition-never-holds',
  severity: 'warning',
  title: 'Condition that no tool fulfils',
  why:
    'A lot asks for a tool that the mod does not have, for a grade above the ladder, for ' +
    'a tool that a gated block does not yield to, or for things that cannot hold at once. ' +
    'It never drops.',
  messages: {
    conditionNeverHolds:
      '{block}: lot {lot} asks for something that no way of breaking it fulfils ' +
      '({asked}{because}).',
  },
  fails: {
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp', when: { tool: 'pick', grade: 9 } },
            { give: 'saltmarsh:lamp' },
          ],
        },
      ],
    },
  },
  passes: {
    '/blocks/lamp/loot': {
      draws: [
        {
          times: 1,
          lots: [
            { give: 'saltmarsh:lamp', when: { tool: 'pick', grade: 2 } },
            { give: 'saltmarsh:lamp' },
          ],
        },
      ],
    },
  },
  check({ name, declared, draws, traits, space }, context) {
    if (typeof declared.loot !== 'object' || space.tooLarge) return [];
    // A block that yields to no tool at all is told of there, and not of its lots.
    if (!isYielding(traits, context.header)) return [];
    return draws.flatMap((draw, d) =>
      draw.lots.flatMap((lot, l) => {
        if (!lot.when) return [];
        // The lot alone: whether others take the draw first is another matter.
        const { breakingOf, cells } = truthTable(
          { traits, space, draws: [{ times: 1, lots: [lot] }] },
          context.header,
          context.loot,
        );
        const kind = lot.when.tool;
        const unknown =
          kind !== undefined && !context.header.tools.kinds[kind]
            ? `the mod's tools have no ${kind}`
            : undefined;
        const open = cells.some((_, cell) => {
          const breaking = breakingOf(cell);
          return (
            (breaking.blast || !traits.gated || isRightTool(traits, breaking.tool)) &&
            chanceOf(lot.when, breaking, space) > 0
          );
        });
        if (open && !unknown) return [];
        const gate =
          traits.gated &&
          traits.toolKind !== 'none' &&
          kind !== undefined &&
          kind !== traits.toolKind
            ? `the block yields to a ${traits.toolKind} alone`
            : undefined;
        const words = conditionWords(lot.when, context.header);
        return [
          {
            at: ['loot', 'draws', d, 'lots', l, 'when'],
            says: 'conditionNeverHolds',
            parts: {
              block: name,
              lot: l + 1,
              asked: words,
              because: (unknown ?? gate) ? `; ${unknown ?? gate}` : '',
            },
            fix: context.set(
              `Remove lot ${l + 1}`,
              ['loot', 'draws', d, 'lots'],
              draw.lots.filter((_, i) => i !== l),
            ),
          },
        ];
      }),
    );
  },
});
