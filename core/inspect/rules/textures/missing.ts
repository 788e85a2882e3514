import { textureOf } from '../../../models/index.ts';
import { idOf } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const textureMissing = modRule({
  id: 'textures/missing',
  severity: 'error',
  title: 'Texture missing',
  why: 'A texture that does not exist is drawn as a marker in the game, for every player to see.',
  messages: {
    missing: '{who} uses the texture {texture}, which does not exist.{hint}',
  },
  fails: { '/models/bank/slots/face': 'saltmarsh:bnak' },
  passes: { '/models/bank/slots/face': 'saltmarsh:lamp' },
  check(mod) {
    const ids = () => Object.keys(mod.textures).map((name) => idOf(mod.header.namespace, name));
    const report = (who: string, texture: string, path: (string | number)[], block?: string) => {
      const near = closest(texture, ids());
      return {
        at: path,
        block,
        says: 'missing',
        parts: { who, texture, hint: didYouMean(near) },
        fix: near
          ? {
              title: `Use ${near}`,
              changes: [{ path: pointer(path), before: texture, after: near }],
            }
          : undefined,
      };
    };
    return [
      ...Object.entries(mod.models).flatMap(([name, { slots = {} }]) =>
        Object.entries(slots)
          .filter(([, texture]) => !textureOf(mod, texture))
          .map(([slot, texture]) =>
            report(`The slot ${slot} of the model ${idOf(mod.header.namespace, name)}`, texture, [
              'models',
              name,
              'slots',
              slot,
            ]),
          ),
      ),
      ...Object.entries(mod.items).flatMap(([name, { texture }]) =>
        texture !== undefined && !textureOf(mod, texture)
          ? [
              report(`The item ${idOf(mod.header.namespace, name)}`, texture, [
                'items',
                name,
                'texture',
              ]),
            ]
          : [],
      ),
    ];
  },
});
