import { causeOf, drawSentences, unknownGiven } from '../../draws.ts';
import { blockRule } from '../../rule.ts';

export const givesUnknown = blockRule({
  id: 'loot/gives-unknown',
  severity: 'error',
  title: 'Gives something that does not exist',
  why:
    'A lot that names an item or a table that does not exist drops nothing. A block that ' +
    'drops itself needs an item form to be held.',
  messages: {
    givesHeldless: '{block} drops itself, but has no item form that could be dropped.',
    unknown: drawSentences.unknown,
    heldless: drawSentences.heldless,
  },
  fails: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lmap' }] }] } },
  passes: { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }] }] } },
  check({ name, declared, draws, id }, context) {
    if (declared.loot === 'itself')
      return context.hasItem(id)
        ? []
        : [
            {
              at: ['loot'],
              says: 'givesHeldless',
              parts: { block: name },
              fix: context.set('Hold it as the block', ['identity', 'item'], 'block'),
            },
          ];
    const flaws = unknownGiven(draws, {
      meant: (given, ids) => context.meantBy(given, ids),
      namespace: context.header.namespace,
      hasItem: (given) => context.hasItem(given),
      hasTable: (table) => context.loot.tableOf(table) !== undefined,
      items: () => [...context.idsOf('items'), ...context.idsOf('blocks')],
      tables: () => context.idsOf('lootTables'),
    });
    // The same id in several lots is one mistake.
    const first = new Map(flaws.toReversed().map((flaw) => [`${flaw.parts['id']}`, flaw]));
    return [...first.values()].toReversed().map(({ at, says, parts, mend }) => ({
      at: ['loot', ...at],
      cause: causeOf(says, parts),
      says,
      parts: { ...parts, owner: name },
      fix:
        mend &&
        context.setAll(
          mend.title,
          flaws
            .filter((flaw) => flaw.parts['id'] === parts['id'])
            .map((flaw) => [['loot', ...flaw.at], mend.after] as const),
        ),
    }));
  },
});
