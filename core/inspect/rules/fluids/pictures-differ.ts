import { pointer } from '../../../json/index.ts';
import { textureOf } from '../../../models/index.ts';
import { idOf } from '../../../mod/index.ts';
import { apart, colourFromHex, toOklab } from '../../../textures/facts/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { withFluid } from './example.ts';

/** Mean colours that are so far apart in Oklab are seen as two at a glance. */
const mostApart = 0.12;

const flowing = { flowing: 'saltmarsh:lamp' };

export const fluidPicturesDiffer = modRule({
  id: 'fluids/pictures-differ',
  severity: 'warning',
  guesses: true,
  title: 'Still and flowing differ in colour',
  why:
    'Where a lake runs over its rim the still picture stands beside the flowing one. When their ' +
    'colours differ, the rim looks like a border between two fluids.',
  messages: {
    differ:
      '{id} is {still} where it is still and {flowing} where it flows: on the whole two colours.',
  },
  fails: { ...withFluid(flowing), '/textures/lamp/picture/mean': '#3f6f9e' },
  passes: withFluid(flowing),
  check: (mod) =>
    Object.entries(mod.fluids).flatMap(([name, { still, flowing }]): ModReport[] => {
      const means = [still, flowing].map((id) => id && textureOf(mod, id)?.picture.mean);
      const [calm, running] = means.map((mean) => colourFromHex(mean ?? ''));
      if (!calm || !running || apart(toOklab(calm), toOklab(running)) < mostApart) return [];
      return [
        {
          at: ['fluids', name, 'flowing'],
          says: 'differ',
          parts: { id: idOf(mod.header.namespace, name), still: means[0]!, flowing: means[1]! },
          fix: {
            title: 'Show the still picture where it flows as well',
            changes: [
              { path: pointer(['fluids', name, 'flowing']), before: flowing, after: still },
            ],
          },
        },
      ];
    }),
});
