import { isBehind } from '../../../families/index.ts';
import { pointer } from '../../../json/index.ts';
import { idOf } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';
import { examplePicture } from './example.ts';

const bankPicture = '0'.repeat(63) + '1';
const own = examplePicture('7');
const toned = (was: string) => ({
  picture: own,
  toned: { from: 'saltmarsh:bank', was, gave: own.sha256 },
});

export const originalRepainted = modRule({
  id: 'textures/original-repainted',
  severity: 'warning',
  title: 'Made from a picture that has been painted since',
  why:
    'It was made from another picture in the tones of a material. That one looks otherwise by now, ' +
    'so that the two no longer belong together, and nobody sees it until they stand side by side.',
  messages: {
    behind: '{id} was made from {from}, which has been painted since.',
  },
  fails: { '/textures/spare': toned('f'.repeat(64)) },
  passes: { '/textures/spare': toned(bankPicture) },
  check: (mod) =>
    Object.entries(mod.textures).flatMap(([name, texture]) =>
      texture.toned && isBehind(mod, texture)
        ? [
            {
              at: ['textures', name],
              says: 'behind',
              parts: { id: idOf(mod.header.namespace, name), from: texture.toned.from },
              fix: {
                title: 'Keep it as it is',
                changes: [{ path: pointer(['textures', name, 'toned']), before: texture.toned }],
              },
            },
          ]
        : [],
    ),
});
