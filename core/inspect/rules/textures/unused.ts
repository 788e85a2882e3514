import { idOf } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';
import { examplePicture } from './example.ts';

export const textureUnused = modRule({
  id: 'textures/unused',
  severity: 'hint',
  title: 'Texture that nobody uses',
  why:
    'It is packed, loaded and kept in memory for nothing. Or something that should use it ' +
    'does not.',
  messages: {
    unused: 'No model, no item and no fluid uses the texture {id}.',
  },
  fails: { '/textures/spare': { picture: examplePicture('9') } },
  passes: {},
  restsOn: ['models', 'items', 'blocks', 'fluids'],
  check(mod) {
    const used = new Set([
      ...Object.values(mod.models).flatMap((model) => Object.values(model.slots ?? {})),
      ...Object.values(mod.items).map((item) => item.texture),
      ...Object.values(mod.fluids).flatMap(({ still, flowing }) => [still, flowing]),
      ...Object.values(mod.identities).map(({ identity }) => identity.held?.picture),
    ]);
    return Object.keys(mod.textures)
      .filter((name) => !used.has(idOf(mod.header.namespace, name)))
      .map((name) => ({
        at: ['textures', name],
        says: 'unused',
        parts: { id: idOf(mod.header.namespace, name) },
      }));
  },
});
