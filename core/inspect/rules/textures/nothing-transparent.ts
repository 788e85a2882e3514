import { blockRule } from '../../rule.ts';
import { showsMissing, shownAlphas } from '../../shown-alphas.ts';

export const nothingTransparent = blockRule({
  id: 'textures/nothing-transparent',
  severity: 'hint',
  guesses: true,
  title: 'Mask or blend, and nothing transparent',
  why:
    'Drawing with mask or blend costs more than opaque. When no texture of the block has ' +
    'a hole or partial alpha, nothing is gained.',
  messages: {
    nothingTransparent:
      '{block} has alpha mode {alphaMode}, but none of its textures has a hole or partial ' +
      'alpha.',
  },
  fails: { '/blocks/bank/traits/alphaMode': 'mask' },
  passes: { '/blocks/bank/traits/alphaMode': 'mask', '/textures/bank/picture/alpha': 'holes' },
  check({ name, traits }, context) {
    if (traits.alphaMode === 'opaque' || showsMissing(context)) return [];
    const shown = shownAlphas(context);
    if (!shown.length || shown.some(({ alpha }) => alpha !== 'none')) return [];
    return [
      {
        at: ['traits', 'alphaMode'],
        says: 'nothingTransparent',
        parts: { block: name, alphaMode: traits.alphaMode },
        fix: context.set('Use alpha mode opaque', ['traits', 'alphaMode'], 'opaque'),
      },
    ];
  },
});
