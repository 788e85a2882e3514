import { itemAt } from '../../../lists/index.ts';
import { sidesWithoutArea } from '../../../models/index.ts';
import { count } from '../../../words/index.ts';
import { facesInWords, foundInBoxes, leaveOutFix, modelId } from '../../models.ts';
import { modRule } from '../../rule.ts';

const flat = foundInBoxes(sidesWithoutArea);

export const sideWithoutArea = modRule({
  id: 'models/side-without-area',
  severity: 'hint',
  title: 'Side without an area',
  why:
    'A box that has no thickness is a plane: its edges have no area, and what is drawn on them is ' +
    'never seen.',
  messages: {
    sideWithoutArea: 'In the model {model} {many} no area: {which}.',
  },
  fails: { '/models/lamp/boxes/0/size': [8, 12, 0] },
  passes: { '/models/lamp/boxes/0/size': [8, 12, 1] },
  check: (mod) =>
    flat(mod).flatMap(({ name, boxes, found }) =>
      found.length
        ? [
            {
              at: ['models', name, 'boxes', itemAt(found, 0).box, 'sides', itemAt(found, 0).side],
              says: 'sideWithoutArea',
              parts: {
                model: modelId(mod, name),
                many: count(found.length, 'side has', 'sides have'),
                which: facesInWords(boxes, found),
              },
              fix: leaveOutFix(mod, name, boxes, found),
            },
          ]
        : [],
    ),
});
