import type { ResolvedBlock } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { blockRule } from '../../rule.ts';
import type { BlockContext } from '../../context.ts';

const alphas = ({
  shownModels,
  ...rest
}: {
  shownModels: string[];
  context: BlockContext;
}): { texture: string; alpha: string }[] =>
  [
    ...new Set(
      shownModels.flatMap((id) => [...(rest.context.resolvedModel(id)?.slots.values() ?? [])]),
    ),
  ].flatMap((texture) => {
    const found = texture === undefined ? undefined : rest.context.texture(texture);
    return found ? [{ texture: texture!, alpha: found.picture.alpha }] : [];
  });

export const alphaUnderMode = blockRule({
  id: 'textures/alpha-under-mode',
  severity: 'warning',
  title: 'Transparency that the alpha mode does not show',
  why: 'Under opaque every texel is drawn solid; under mask a texel is either drawn or a hole. Holes and partial alpha show only under the mode that is made for them.',
  fails: { '/textures/bank/picture/alpha': 'holes' },
  passes: { '/textures/bank/picture/alpha': 'holes', '/blocks/bank/traits/alphaMode': 'mask' },
  check({ name, traits }: ResolvedBlock, context) {
    return alphas({ shownModels: context.shownModels, context }).flatMap(({ texture, alpha }) => {
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
      return [
        {
          at: ['traits', 'alphaMode'],
          message: `${name} shows the texture ${texture}, which has ${alpha === 'partial' ? 'partial alpha' : 'holes'}, under alpha mode ${traits.alphaMode}.`,
          fix,
        },
      ];
    });
  },
});

export const nothingTransparent = blockRule({
  id: 'textures/nothing-transparent',
  severity: 'hint',
  title: 'Mask or blend, and nothing transparent',
  why: 'Drawing with mask or blend costs more than opaque. When no texture of the block has a hole or partial alpha, nothing is gained.',
  fails: { '/blocks/bank/traits/alphaMode': 'mask' },
  passes: { '/blocks/bank/traits/alphaMode': 'mask', '/textures/bank/picture/alpha': 'holes' },
  check({ name, traits }, context) {
    if (traits.alphaMode === 'opaque') return [];
    const found = alphas({ shownModels: context.shownModels, context });
    if (!found.length || found.some(({ alpha }) => alpha !== 'none')) return [];
    return [
      {
        at: ['traits', 'alphaMode'],
        message: `${name} has alpha mode ${traits.alphaMode}, but none of its textures has a hole or partial alpha.`,
        fix: context.set('Use alpha mode opaque', ['traits', 'alphaMode'], 'opaque'),
      },
    ];
  },
});
