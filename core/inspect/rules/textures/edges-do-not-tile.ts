import { modelFillsCell } from '../../../models/index.ts';
import { blockRule } from '../../rule.ts';

/** From so much of an edge on a seam is one. */
const leastSeam = 0.5;

export const edgesDoNotTile = blockRule({
  id: 'textures/edges-do-not-tile',
  severity: 'hint',
  guesses: true,
  title: 'Edges that do not tile',
  why:
    'Blocks of one kind stand side by side. Where the picture does not go on where the next one ' +
    'begins, every block of a wall shows its edge. A frame around each may be meant so.',
  messages: {
    doesNotTile:
      'The texture {texture} of {block} does not go on where the next one begins: a wall of it ' +
      'shows a seam along {percent} % of an edge.',
  },
  fails: { '/textures/bank/picture/seams': 0.75 },
  passes: { '/textures/bank/picture/seams': 0.25 },
  check({ name, traits }, context) {
    if (traits.alphaMode !== 'opaque' || traits.hidesNeighbours !== 'whole') return [];
    const whole = context.shownModels.flatMap((id) => {
      const model = context.resolvedModel(id);
      if (!model || !modelFillsCell(model, context.header.texels)) return [];
      return model.boxes.flatMap(({ sides }) =>
        Object.values(sides).flatMap(({ texture, crop }) => (crop ? [] : (texture ?? []))),
      );
    });
    return [...new Set(whole)].flatMap((texture) => {
      const seams = context.texture(texture)?.picture.seams ?? 0;
      return seams < leastSeam
        ? []
        : [
            {
              at: ['looks'],
              says: 'doesNotTile',
              parts: { texture, block: name, percent: Math.round(seams * 100) },
            },
          ];
    });
  },
});
