import { itemAt } from '../../../lists/index.ts';
import type { Box } from '../../../mod/index.ts';
import { sideStep, type Side } from '../../../space/index.ts';
import { facesInOnePlane, sized } from '../../../models/index.ts';
import { boxesFix, boxWord, foundInBoxes, modelId } from '../../models.ts';
import { modRule } from '../../rule.ts';

const fighting = foundInBoxes(facesInOnePlane);
/** So many pairs of one model are told. */
const mostTold = 12;

/** The area of a side in texels, to tell which of two stands before the other. */
function areaOf(boxes: readonly Box[], { box, side }: { box: number; side: Side }): number {
  const step = sideStep(side);
  return itemAt(boxes, box).size.reduce((area, length, i) => (step[i] ? area : area * length), 1);
}

export const facesFight = modRule({
  id: 'models/faces-fight',
  severity: 'warning',
  title: 'Faces that fight',
  why:
    'Two faces of different boxes that lie in one plane and look the same way are drawn over each ' +
    'other in no certain order: they flicker when somebody walks past.',
  messages: {
    facesFight:
      'The {side} of {one} and of {other} in the model {model} lie in one plane and show ' +
      'different pictures there.',
  },
  fails: {
    '/models/lamp/slots/glass': 'saltmarsh:bank',
    '/models/lamp/boxes/1': {
      at: [6, 4, 8],
      size: [4, 4, 8],
      sides: { front: { slot: 'glass' } },
    },
  },
  passes: {},
  check: (mod) =>
    fighting(mod).flatMap(({ name, boxes, found }) =>
      found.slice(0, mostTold).map(([one, other]) => {
        const isSmaller = areaOf(boxes, other) <= areaOf(boxes, one);
        const way = isSmaller ? 'out' : 'in';
        const moved = sized(
          boxes,
          new Set([other.box]),
          other.side,
          isSmaller ? 0.5 : -0.5,
          'follows',
        );
        return {
          at: ['models', name, 'boxes', other.box, 'sides', other.side],
          says: 'facesFight',
          parts: {
            side: one.side,
            one: boxWord(boxes, one.box),
            other: boxWord(boxes, other.box),
            model: modelId(mod, name),
          },
          ...(itemAt(boxes, other.box).size.every((length) => length > 0.5) && {
            fix: boxesFix(mod, name, `Draw ${way} the ${other.side} by half a texel`, moved),
          }),
        };
      }),
    ),
});
