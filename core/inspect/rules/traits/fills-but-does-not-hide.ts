import { modelFillsCell } from '../../../models/index.ts';
import { blockRule } from '../../rule.ts';

export const fillsButDoesNotHide = blockRule({
  id: 'traits/fills-but-does-not-hide',
  severity: 'hint',
  title: 'Fills the cell, opaque, and does not hide its neighbours',
  why:
    'Nobody can ever see the faces behind an opaque block that fills its cell; drawing ' +
    'them all the same costs time.',
  messages: {
    fillsButDoesNotHide:
      '{block} fills its cell and is opaque, yet does not hide its neighbours: their ' +
      'hidden faces are drawn for nothing.',
  },
  fails: { '/blocks/bank/traits/hidesNeighbours': 'never' },
  passes: { '/blocks/bank/traits/hidesNeighbours': 'whole' },
  check({ traits, name }, context) {
    if (traits.hidesNeighbours !== 'never' || traits.alphaMode !== 'opaque') return [];
    const models = context.shownModels.map((id) => context.resolvedModel(id));
    if (
      !models.length ||
      !models.every((model) => model && modelFillsCell(model, context.header.texels))
    )
      return [];
    return [
      {
        at: ['traits', 'hidesNeighbours'],
        says: 'fillsButDoesNotHide',
        parts: { block: name },
        fix: context.set('Hide neighbours', ['traits', 'hidesNeighbours'], 'whole'),
      },
    ];
  },
});
