import { ownName } from '../../../mod/index.ts';
import { tintedTextures } from '../../tinted-textures.ts';
import { blockRule } from '../../rule.ts';

export const tintOverColoured = blockRule({
  id: 'textures/tint-over-coloured',
  severity: 'hint',
  guesses: true,
  title: 'Tint over a coloured picture',
  why:
    'A tint is multiplied over the picture. Over a grey one it gives its own colour; over a ' +
    'coloured one it gives a muddy mixture of both.',
  messages: {
    coloured:
      '{block} is tinted by {tint}, but its texture {texture} has colours of its own: both mix.',
  },
  fails: { '/blocks/bank/traits/tint': 'grass' },
  passes: { '/blocks/bank/traits/tint': 'grass', '/textures/bank/picture/grey': true },
  check({ name, traits }, context) {
    if (traits.tint === 'none') return [];
    return tintedTextures(context).flatMap((texture) => {
      if (context.texture(texture)?.picture.grey !== false) return [];
      const own = ownName(context.header.namespace, texture);
      return [
        {
          at: ['traits', 'tint'],
          says: 'coloured',
          parts: { block: name, tint: traits.tint, texture },
          fix: context.set('Leave the tint out', ['traits', 'tint'], undefined),
          ...(own !== undefined && {
            mend: { title: 'Make it grey', texture: own, mending: { way: 'grey' } } as const,
          }),
        },
      ];
    });
  },
});
