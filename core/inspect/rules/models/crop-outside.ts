import { textureOf } from '../../../models/index.ts';
import { lookUp, ownName, type Mod, type Model } from '../../../mod/index.ts';
import { frameSize } from '../../../textures/index.ts';
import { modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';

type Own = Pick<Mod, 'header' | 'models'>;

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
  check(mod) {
    const told = new Set<string>();
    return [...resolvedModels(mod)].flatMap(([name, { boxes }]) => {
      const owner = boxOwner(mod, name);
      return (owner === undefined ? [] : boxes).flatMap((box, i) =>
        Object.entries(box.sides).flatMap(([side, made]) => {
          const texture = made.texture === undefined ? undefined : textureOf(mod, made.texture);
          const at = ['models', owner!, 'boxes', i, 'sides', side, 'crop'];
          if (!made.crop || !texture || isInside(made.crop, frameSize(texture))) return [];
          // A template's crop is told once, however many models start from it.
          if (told.has(at.join())) return [];
          told.add(at.join());
          return [
            {
              at,
              says: 'cropOutside',
              parts: {
                side,
                box: box.name ?? i + 1,
                model: modelId(mod, owner!),
                width: frameSize(texture).width,
                height: frameSize(texture).height,
              },
            },
          ];
        }),
      );
    });
  },
});

const isInside = (
  [left, top, width, height]: readonly [number, number, number, number],
  size: { width: number; height: number },
): boolean =>
  left >= 0 &&
  top >= 0 &&
  left + width <= size.width &&
  top + height <= size.height &&
  width > 0 &&
  height > 0;

/** The model of the mod in which the boxes stand that a model shows. */
function boxOwner({ header, models }: Own, name: string): string | undefined {
  const followed = new Set<string>();
  for (let at: string | undefined = name; at !== undefined && !followed.has(at);) {
    followed.add(at);
    const model: Model | undefined = lookUp(models, at);
    if (model?.boxes) return at;
    at = model?.template === undefined ? undefined : ownName(header.namespace, model.template);
  }
  return undefined;
}
