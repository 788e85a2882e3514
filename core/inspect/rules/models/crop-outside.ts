import { heldUnder } from '../../../lists/index.ts';
import { textureOf } from '../../../models/index.ts';
import { frameSize } from '../../../textures/index.ts';
import { modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const cropOutside = modRule({
  id: 'models/crop-outside',
  severity: 'error',
  title: 'Crop outside the texture',
  why:
    'A side shows a rectangle of its texture. Where the rectangle leaves the picture, ' +
    'another part of the picture or nothing is shown.',
  messages: {
    cropOutside:
      'The {side} of the box {box} of the model {model} shows a part that leaves its ' +
      'texture of {width} × {height} texels.',
  },
  fails: { '/models/lamp/boxes/0/sides/front/crop': [8, 0, 12, 8] },
  passes: { '/models/lamp/boxes/0/sides/front/crop': [8, 0, 8, 8] },
  check: (mod) =>
    [...resolvedModels(mod)].flatMap(([name, { boxes }]) =>
      (heldUnder(mod.models, name).boxes ? boxes : []).flatMap((box, i) =>
        Object.entries(box.sides).flatMap(([side, made]) => {
          const texture = made.texture === undefined ? undefined : textureOf(mod, made.texture);
          if (!made.crop || !texture) return [];
          const [left, top, width, height] = made.crop;
          const size = frameSize(texture);
          if (
            left >= 0 &&
            top >= 0 &&
            left + width <= size.width &&
            top + height <= size.height &&
            width > 0 &&
            height > 0
          )
            return [];
          return [
            {
              at: ['models', name, 'boxes', i, 'sides', side, 'crop'],
              says: 'cropOutside',
              parts: {
                side,
                box: box.name ?? i + 1,
                model: modelId(mod, name),
                width: size.width,
                height: size.height,
              },
            },
          ];
        }),
      ),
    ),
});
