import { modelFillsCell } from '../../../models/index.ts';
import { fillsCell } from '../../../space/index.ts';
import { blockRule } from '../../rule.ts';

export const dragButSolid = blockRule({
  id: 'traits/drag-but-solid',
  severity: 'warning',
  guesses: true,
  title: 'Drag inside a block that lets nobody in',
  why:
    'Drag is felt inside the block alone. Where the collision shape fills the whole cell ' +
    'in every state, nobody ever gets inside.',
  messages: {
    dragButSolid:
      '{block} drags whoever is inside, but its collision shape fills the cell in every ' +
      'state: nobody gets inside.',
  },
  fails: { '/blocks/bank/traits/dragInside': 0.4 },
  passes: {
    '/blocks/bank/traits/dragInside': 0.4,
    '/blocks/bank/shapes': { collision: 'none' },
  },
  check({ name, traits, shapes, declared }, context) {
    if (traits.dragInside <= 0) return [];
    const { texels } = context.header;
    const models = context.shownModels.map((id) => context.resolvedModel(id));
    const solidModel =
      models.length > 0 && models.every((model) => model && modelFillsCell(model, texels));
    const solid = shapes.collision.every(({ value }) => {
      if (typeof value === 'object') return fillsCell(value, texels);
      return value === 'whole' || (value === 'model' && solidModel);
    });
    if (!solid) return [];
    return [
      {
        at: ['traits', 'dragInside'],
        says: 'dragButSolid',
        parts: { block: name },
        fix: context.set('Let people in: no collision', ['shapes'], {
          ...declared.shapes,
          collision: 'none',
        }),
      },
    ];
  },
});
