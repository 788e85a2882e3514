import { dependsOn } from '../../../states/index.ts';
import { blockRule } from '../../rule.ts';

export const litButSameLight = blockRule({
  id: 'traits/lit-but-same-light',
  severity: 'warning',
  guesses: true,
  title: 'Light that never changes although a property says lit',
  why:
    'A property called lit promises that the block glows only while it is true. If the ' +
    'light is the same in all states, the promise is broken.',
  messages: {
    litButSameLight:
      '{block} has a property lit, but gives the same light whether it is true or false.',
  },
  fails: { '/blocks/lamp/traits/lightEmitted': 12 },
  passes: {
    '/blocks/lamp/traits/lightEmitted': [{ when: { lit: true }, value: 12 }, { value: 0 }],
  },
  check({ traits, name, space }, context) {
    if (!space.properties.some((property) => property.name === 'lit' && property.kind === 'toggle'))
      return [];
    if (dependsOn(traits.lightEmitted, space).has('lit')) return [];
    const level = traits.lightEmitted[0]?.value || 12;
    return [
      {
        at: ['traits', 'lightEmitted'],
        says: 'litButSameLight',
        parts: { block: name },
        fix: context.set(
          `Give ${level} only while lit = true`,
          ['traits', 'lightEmitted'],
          [{ when: { lit: true }, value: level }, { value: 0 }],
        ),
      },
    ];
  },
});
