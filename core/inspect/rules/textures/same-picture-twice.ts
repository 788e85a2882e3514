import { idOf } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

export const samePictureTwice = modRule({
  id: 'textures/same-picture-twice',
  severity: 'hint',
  title: 'The same picture twice',
  why: 'Two textures with the very same pixels are often a copy that was never painted over.',
  messages: {
    samePictureTwice: '{id} and {twin} are the same picture.',
  },
  fails: { '/textures/lamp/picture/sha256': '0'.repeat(63) + '1' },
  passes: {},
  check(mod) {
    const first = new Map<string, string>();
    return Object.entries(mod.textures).flatMap(([name, { picture }]) => {
      const twin = first.get(picture.sha256);
      if (twin === undefined) first.set(picture.sha256, name);
      return twin === undefined
        ? []
        : [
            {
              at: ['textures', name],
              says: 'samePictureTwice',
              parts: {
                id: idOf(mod.header.namespace, name),
                twin: idOf(mod.header.namespace, twin),
              },
            },
          ];
    });
  },
});
