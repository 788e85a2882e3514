import { sized, slits, tidy } from '../../../models/index.ts';
import { boxesFix, boxWord, foundInBoxes, modelId } from '../../models.ts';
import { modRule } from '../../rule.ts';

const apart = foundInBoxes(slits);

export const slit = modRule({
  id: 'models/slit',
  severity: 'hint',
  title: 'Slit between two boxes',
  why:
    'Boxes that lie less than a quarter of a texel apart were meant to touch. From near one sees ' +
    'through between them, from afar the slit shimmers.',
  messages: {
    slit: 'In the model {model} {one} and {other} lie {width} texels apart.',
  },
  fails: {
    '/models/lamp/boxes/1': {
      at: [6, 12.1, 8],
      size: [4, 2, 4],
      sides: { top: { slot: 'metal' } },
    },
  },
  passes: {
    '/models/lamp/boxes/1': { at: [6, 12, 8], size: [4, 2, 4], sides: { top: { slot: 'metal' } } },
  },
  check: (mod) =>
    apart(mod).flatMap(({ name, boxes, found }) =>
      found.map(({ face: { box, side }, other, width }) => ({
        at: ['models', name, 'boxes', box],
        says: 'slit',
        parts: {
          model: modelId(mod, name),
          one: boxWord(boxes, box),
          other: boxWord(boxes, other),
          width: tidy(width),
        },
        fix: boxesFix(
          mod,
          name,
          'Close it',
          sized(boxes, new Set([box]), side, width, 'stretches'),
        ),
      })),
    ),
});
