import { blockRule } from '../../rule.ts';

export const letsLightButHides = blockRule({
  id: 'traits/lets-light-but-hides',
  severity: 'hint',
  title: 'Lets light through although nobody can see through it',
  why:
    'A block that fills its cell and is opaque hides what is behind it. Light that goes ' +
    'through it all the same shows on the far side of a wall as if the wall were not there.',
  messages: {
    letsLight:
      '{block} is opaque and hides its neighbours whole, but absorbs {absorbed} of light: a ' +
      'lamp behind it would light the room before it.',
  },
  fails: { '/blocks/bank/traits/lightAbsorbed': 0 },
  passes: { '/blocks/bank/traits/lightAbsorbed': 15 },
  check({ traits, name, declared }, context) {
    // What came with the material, as with glass that has no picture yet, nobody has said.
    if (declared.traits.lightAbsorbed === undefined) return [];
    const absorbed = Math.min(...traits.lightAbsorbed.map(({ value }) => value));
    const isWall = traits.alphaMode === 'opaque' && traits.hidesNeighbours === 'whole';
    // What shines lights both sides itself.
    const shines = traits.lightEmitted.some(({ value }) => value > 0);
    if (!isWall || absorbed > 1 || absorbed < 0 || shines) return [];
    return [
      {
        at: ['traits', 'lightAbsorbed'],
        says: 'letsLight',
        parts: { block: name, absorbed },
        fix: context.set('Absorb all of it', ['traits', 'lightAbsorbed'], 15),
      },
    ];
  },
});
