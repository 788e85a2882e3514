import { pointer } from '../../../json/index.ts';
import { ownName, type Traits } from '../../../mod/index.ts';
import type { PictureMend } from '../../finding.ts';
import { blockRule } from '../../rule.ts';
import { shownAlphas } from '../../shown-alphas.ts';

export const alphaUnderMode = blockRule({
  id: 'textures/alpha-under-mode',
  severity: 'warning',
  title: 'Transparency that the alpha mode does not show',
  why:
    'Under opaque every texel is drawn solid; under mask a texel is either drawn or a ' +
    'hole. Holes and partial alpha show only under the mode that is made for them.',
  messages: {
    alphaUnderMode:
      '{block} shows the texture {texture}, which has {alpha}, under alpha mode ' + '{alphaMode}.',
  },
  fails: { '/textures/bank/picture/alpha': 'holes' },
  passes: { '/textures/bank/picture/alpha': 'holes', '/blocks/bank/traits/alphaMode': 'mask' },
  check({ name, traits }, context) {
    return shownAlphas(context).flatMap(({ texture, alpha }) => {
      const needed = alpha === 'partial' ? 'blend' : 'mask';
      if (alpha === 'none' || traits.alphaMode === 'blend' || traits.alphaMode === needed)
        return [];
      const fix = context.set(`Use alpha mode ${needed}`, ['traits', 'alphaMode'], needed);
      if (traits.hidesNeighbours === 'whole')
        fix.changes.push({
          path: pointer(['blocks', name, 'traits', 'hidesNeighbours']),
          before: context.block.declared.traits.hidesNeighbours,
          after: 'never',
        });
      const own = ownName(context.header.namespace, texture);
      return [
        {
          at: ['traits', 'alphaMode'],
          says: 'alphaUnderMode',
          parts: {
            block: name,
            texture,
            alpha: alpha === 'partial' ? 'partial alpha' : 'holes',
            alphaMode: traits.alphaMode,
          },
          fix,
          ...(own !== undefined && { mend: mendOf(own, traits) }),
        },
      ];
    });
  },
});

/** The picture made to be what the alpha mode shows of it anyhow. */
const mendOf = (texture: string, { alphaMode, alphaCutoff }: Traits): PictureMend =>
  alphaMode === 'mask'
    ? {
        title: 'Cut its partial alpha',
        texture,
        mending: { way: 'cut', from: alphaCutoff },
      }
    : { title: 'Fill its holes', texture, mending: { way: 'fill' } };
