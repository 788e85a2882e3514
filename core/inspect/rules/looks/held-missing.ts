import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const heldMissing = blockRule({
  id: 'looks/held-missing',
  severity: 'error',
  guesses: true,
  title: 'Item form that does not exist',
  why: 'An item that shows a model or a texture that does not exist is a marker in every hand.',
  messages: {
    heldMissing: 'The item of {block} shows the {kind} {id}, which does not exist.{hint}',
  },
  fails: { '/blocks/lamp/identity/held': { model: 'saltmarsh:lmap' } },
  passes: { '/blocks/lamp/identity/held': { model: 'saltmarsh:bank', picture: 'saltmarsh:lamp' } },
  check({ name, declared }, context) {
    const { model, picture } = declared.identity.held ?? {};
    const report = (kind: 'model' | 'texture', part: string, id: string) => {
      const near = closest(id, context.idsOf(kind === 'model' ? 'models' : 'textures'));
      const at = ['identity', 'held', part];
      return {
        at,
        says: 'heldMissing',
        parts: { block: name, kind, id, hint: didYouMean(near) },
        fix: near ? context.set(`Use ${near}`, at, near) : undefined,
      };
    };
    return [
      ...(model !== undefined && !context.model(model) ? [report('model', 'model', model)] : []),
      ...(picture !== undefined && !context.texture(picture)
        ? [report('texture', 'picture', picture)]
        : []),
    ];
  },
});
