import { idOf } from '../../../mod/index.ts';
import { frameSize } from '../../../textures/index.ts';
import { modRule } from '../../rule.ts';

export const textureTooLarge = modRule({
  id: 'textures/too-large',
  severity: 'error',
  title: 'Bigger than the kit allows',
  why: 'Engines hold all textures in one large picture; a side longer than the limit does not fit.',
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
              message:
                `The texture ${idOf(mod.header.namespace, name)} is ${width} × ${height} texels; ` +
                `${title} allows ${limits.textureSide}.`,
            },
          ];
    }),
});
