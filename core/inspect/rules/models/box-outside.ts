import type { Box } from '../../../mod/index.ts';
import { vector } from '../../../space/index.ts';
import { boxesFix, modelId } from '../../models.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const boxOutside = modRule({
  id: 'models/box-outside',
  severity: 'error',
  guesses: true,
  title: 'Box outside the allowed space',
  why:
    'A box may reach into the neighbouring cells only as far as the kit allows. Beyond ' +
    'that it would be cut off or refused.',
  messages: {
    boxOutside:
      'The box {box} of the model {model} leaves the space from {near} to {far} texels ' +
      'that {kit} allows.',
    pivotOutside:
      'The box {box} of the model {model} is spun about a point outside of the space from {near} ' +
      'to {far} texels.',
  },
  fails: { '/models/lamp/boxes/0/at': [4, 0, 80] },
  passes: { '/models/lamp/boxes/0/at': [4, 0, 8] },
  check(mod, { limits, title }) {
    const reach = (limits.reach * mod.header.texels) / 16;
    const far = mod.header.texels + reach;
    return Object.entries(mod.models).flatMap(([name, { boxes = [] }]) =>
      boxes.flatMap((box, i): ModReport[] => {
        const parts = {
          box: box.name ?? i + 1,
          model: modelId(mod, name),
          near: -reach,
          far,
        };
        const { pivot = [0, 0, 0] } = box.spin ?? {};
        if (pivot.some((place) => place < -reach || place > far))
          return [
            { at: ['models', name, 'boxes', i, 'spin', 'pivot'], says: 'pivotOutside', parts },
          ];
        if (box.at.every((low, axis) => low >= -reach && low + box.size[axis]! <= far)) return [];
        // What is larger than the space cannot be moved into it.
        const fits = box.size.every((length) => length <= far + reach);
        const [x, y, z] = vector((axis) =>
          Math.min(Math.max(box.at[axis], -reach), far - box.size[axis]),
        );
        const inside: Box = { ...box, at: [x, y, z] };
        return [
          {
            at: ['models', name, 'boxes', i, 'at'],
            says: 'boxOutside',
            parts: { ...parts, kit: title },
            ...(fits && { fix: boxesFix(mod, name, 'Move it inside', boxes.with(i, inside)) }),
          },
        ];
      }),
    );
  },
});
