import { blockRule } from '../../rule.ts';

/** So much of the light of the brightest lamp a block takes that nothing beyond can be read by it. */
const dark = 8;

export const keepsLightButSeeThrough = blockRule({
  id: 'traits/keeps-light-but-see-through',
  severity: 'warning',
  title: 'Keeps light out although one can see through it',
  why:
    'What one sees through lets light through. A window that absorbs the light leaves the ' +
    'room behind it dark. Leaves and grates may: their holes are another matter.',
  messages: {
    keepsLight:
      '{block} absorbs {absorbed} of light, but its alpha mode is blend: the room behind it ' +
      'would be dark.',
  },
  fails: { '/blocks/lamp/traits/alphaMode': 'blend', '/blocks/lamp/traits/lightAbsorbed': 15 },
  passes: { '/blocks/lamp/traits/alphaMode': 'blend', '/blocks/lamp/traits/lightAbsorbed': 2 },
  check({ traits, name }, context) {
    const absorbed = Math.min(...traits.lightAbsorbed.map(({ value }) => value));
    if (traits.alphaMode !== 'blend' || absorbed < dark) return [];
    return [
      {
        at: ['traits', 'lightAbsorbed'],
        says: 'keepsLight',
        parts: { block: name, absorbed },
        fix: context.set('Let light through', ['traits', 'lightAbsorbed'], 0),
      },
    ];
  },
});
