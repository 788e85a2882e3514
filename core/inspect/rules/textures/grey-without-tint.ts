import { shownTextures } from '../../tinted-textures.ts';
import { blockRule } from '../../rule.ts';

export const greyWithoutTint = blockRule({
  id: 'textures/grey-without-tint',
  severity: 'hint',
  guesses: true,
  title: 'Grey leaves without a tint',
  why:
    'Leaves, grass and other plants are drawn grey, and a tint gives them the colour of the ' +
    'climate. Without one they stay grey. Bars and gratings may be meant so.',
  messages: {
    grey: '{block} is drawn with holes, and all that it shows is grey; without a tint it stays so.',
  },
  fails: {
    '/blocks/bank/traits/alphaMode': 'mask',
    '/textures/bank/picture/alpha': 'holes',
    '/textures/bank/picture/grey': true,
    '/textures/bank/picture/mean': '#909090',
  },
  passes: {
    '/blocks/bank/traits/alphaMode': 'mask',
    '/blocks/bank/traits/tint': 'leaf',
    '/textures/bank/picture/alpha': 'holes',
    '/textures/bank/picture/grey': true,
    '/textures/bank/picture/mean': '#909090',
  },
  check({ name, traits }, context) {
    if (traits.tint !== 'none' || traits.alphaMode !== 'mask') return [];
    const shown = shownTextures(context).map((texture) => context.texture(texture)?.picture);
    const isGrey = shown.every(
      (picture) => picture?.grey && isPlainGrey(picture.mean) && picture.alpha !== 'none',
    );
    return shown.length && isGrey
      ? [
          {
            at: ['traits', 'tint'],
            says: 'grey',
            parts: { block: name },
            fix: context.set('Tint it as leaves', ['traits', 'tint'], 'leaf'),
          },
        ]
      : [];
  },
});

/** Whether a mean colour has no colour at all: clay and flint are greyish, leaves for a tint grey. */
function isPlainGrey(mean: string): boolean {
  const parts = [1, 3, 5].map((at) => Number.parseInt(mean.slice(at, at + 2), 16));
  return Math.max(...parts) - Math.min(...parts) <= 2;
}
