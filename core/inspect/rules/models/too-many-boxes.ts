import { modelId } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const tooManyBoxes = modRule({
  id: 'models/too-many-boxes',
  severity: 'error',
  title: 'More boxes than the kit allows',
  why: 'Every box costs memory for each state that shows it, so an engine has a limit.',
  messages: {
    tooManyBoxes: 'The model {model} has {boxes} boxes; {kit} allows {most}.',
  },
  fails: {
    '/models/lamp/boxes': Array.from({ length: 300 }, () => ({
      at: [0, 0, 0],
      size: [8, 8, 8],
      sides: {},
    })),
  },
  passes: {},
  check: (mod, { limits, title }) =>
    Object.entries(mod.models).flatMap(([name, { boxes = [] }]) =>
      boxes.length > limits.boxes
        ? [
            {
              at: ['models', name, 'boxes'],
              says: 'tooManyBoxes',
              parts: {
                model: modelId(mod, name),
                boxes: boxes.length,
                kit: title,
                most: limits.boxes,
              },
            },
          ]
        : [],
    ),
});
