import { modelId } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const boxWithoutSize = modRule({
  id: 'models/box-without-size',
  severity: 'error',
  title: 'Box with no size or upside down',
  why:
    'A box needs a length above zero along at least two axes: with one length of zero it ' +
    'is a plane, with two it cannot be seen, and a negative length turns it inside out.',
  messages: {
    boxWithoutSize: 'The box {box} of the model {model} {flaw}: {size} texels.',
  },
  fails: { '/models/lamp/boxes/0/size': [0, 12, 0] },
  passes: { '/models/lamp/boxes/0/size': [8, 12, 0] },
  check: (mod) =>
    Object.entries(mod.models).flatMap(([name, { boxes = [] }]) =>
      boxes.flatMap((box, i) => {
        const negative = box.size.some((length) => length < 0);
        if (!negative && box.size.filter((length) => length === 0).length < 2) return [];
        return [
          {
            at: ['models', name, 'boxes', i, 'size'],
            says: 'boxWithoutSize',
            parts: {
              box: box.name ?? i + 1,
              model: modelId(mod, name),
              flaw: negative ? 'has a negative length' : 'has no size',
              size: box.size.join(' × '),
            },
          },
        ];
      }),
    ),
});
