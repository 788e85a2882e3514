import { idOf } from '../../../mod/index.ts';
import { frameSize } from '../../../textures/index.ts';
import { powerOfTwoNear } from '../../../textures/mending/index.ts';
import { resizing } from '../../picture-mends.ts';
import { modRule } from '../../rule.ts';

export const oddSize = modRule({
  id: 'textures/odd-size',
  severity: 'warning',
  title: 'Side that is no power of two',
  why:
    'Far away, engines draw smaller copies of a texture, each half the size. With a side ' +
    'that is no power of two the halves do not meet and the edges bleed.',
  messages: {
    oddSize:
      'The texture {id} is {width} × {height} texels; sides of 16, 32 or 64 make clean ' +
      'small copies.',
  },
  fails: { '/textures/bank/picture/width': 18, '/textures/bank/picture/height': 18 },
  passes: { '/textures/bank/picture/width': 32, '/textures/bank/picture/height': 32 },
  check: (mod) =>
    Object.entries(mod.textures).flatMap(([name, texture]) => {
      const { width, height } = frameSize(texture);
      return [width, height].every((side) => (side & (side - 1)) === 0)
        ? []
        : [
            {
              at: ['textures', name],
              says: 'oddSize',
              parts: { id: idOf(mod.header.namespace, name), width, height },
              mend: resizing(name, height, powerOfTwoNear(width), powerOfTwoNear(height)),
            },
          ];
    }),
});
