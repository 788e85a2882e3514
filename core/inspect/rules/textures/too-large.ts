import { idOf } from '../../../mod/index.ts';
import { frameSize } from '../../../textures/index.ts';
import { modRule } from '../../rule.ts';

export const textureTooLarge = modRule({
  id: 'textures/too-large',
  severity: 'error',
  title: 'Bigger than the kit allows',
  why: 'Engines hold all textures in one large picture; a side longer than the limit does not fit.',
  messages: {
    tooLarge: 'The texture {id} is {width} × {height} texels; {kit} allows {most}.',
  },
  fails: { '/textures/bank/picture/width': 2048, '/textures/bank/picture/height': 2048 },
  passes: { '/textures/bank/picture/width': 1024, '/textures/bank/picture/height': 1024 },
  check: (mod, { limits, title }) =>
    Object.entries(mod.textures).flatMap(([name, texture]) => {
      const { width, height } = frameSize(texture);
      return Math.max(width, height) <= limits.textureSide
        ? []
        : [
            {
              at: ['textures', name],
              says: 'tooLarge',
              parts: {
                id: idOf(mod.header.namespace, name),
                width,
                height,
                kit: title,
                most: limits.textureSide,
              },
            },
          ];
    }),
});
