import { blockRule } from '../../rule.ts';

export const noItemForm = blockRule({
  id: 'identity/no-item-form',
  severity: 'hint',
  guesses: true,
  title: 'No item form',
  why:
    'Without an item form nobody can hold the block, place it by hand, or pick it up. ' +
    'That is right for technical blocks alone.',
  messages: {
    noItemForm: '{block} has no item form, so nobody can hold it.',
  },
  fails: { '/blocks/lamp/identity/item': null },
  passes: { '/blocks/lamp/identity/item': 'none' },
  check({ declared, name }, context) {
    if (declared.identity.item !== undefined) return [];
    return [
      {
        at: ['identity', 'item'],
        says: 'noItemForm',
        parts: { block: name },
        fix: context.set('Hold it as the block', ['identity', 'item'], 'block'),
      },
    ];
  },
});
