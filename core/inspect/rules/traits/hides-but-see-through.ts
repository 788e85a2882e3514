import { modelFillsCell } from '../../../models/index.ts';
import { blockRule } from '../../rule.ts';

export const hidesButSeeThrough = blockRule({
  id: 'traits/hides-but-see-through',
  severity: 'error',
  title: 'Hides its neighbours although one can see through it',
  why:
    'Faces that touch the block are left out. If its model leaves part of the cell open, ' +
    'or its texture has holes or is blended, one sees through the world.',
  messages: {
    hidesButSeeThrough:
      '{block} hides its neighbours, but {because}: one would see through the world.',
  },
  fails: { '/blocks/lamp/traits/hidesNeighbours': 'whole' },
  passes: { '/blocks/lamp/traits/hidesNeighbours': 'never' },
  check({ traits, name }, context) {
    if (traits.hidesNeighbours === 'never') return [];
    // By side and by shape the model decides which faces are left out; only its texture can still
    // be seen through.
    const open =
      traits.hidesNeighbours !== 'whole'
        ? undefined
        : context.shownModels.find((id) => {
            const model = context.resolvedModel(id);
            return (
              model &&
              !model.circle &&
              !model.missing &&
              !modelFillsCell(model, context.header.texels)
            );
          });
    const because =
      traits.alphaMode !== 'opaque'
        ? `its alpha mode is ${traits.alphaMode}`
        : open && `its model ${open} leaves part of the cell open`;
    if (!because) return [];
    return [
      {
        at: ['traits', 'hidesNeighbours'],
        says: 'hidesButSeeThrough',
        parts: { block: name, because },
        fix: context.set('Never hide neighbours', ['traits', 'hidesNeighbours'], 'never'),
      },
    ];
  },
});
