import { itemAt } from '../../../lists/index.ts';
import {
  coveredFaces,
  textureOf,
  type BoxFace,
  type ResolvedModel,
} from '../../../models/index.ts';
import { sides } from '../../../space/index.ts';
import { count } from '../../../words/index.ts';
import { facesInWords, leaveOutFix, modelId, resolvedModels } from '../../models.ts';
import { modRule } from '../../rule.ts';
import type { ModView } from '../../view.ts';

/** What was found, for as long as neither the model nor a texture changes. */
const known = new WeakMap<ResolvedModel, { textures: object; found: BoxFace[] }>();

/** Whether a box hides what lies behind it: all its sides are drawn, with pictures without holes. */
const isSolid =
  (mod: ModView, { boxes }: ResolvedModel) =>
  (index: number): boolean => {
    const box = itemAt(boxes, index);
    return sides.every(
      (side) => textureOf(mod, box.sides[side]?.texture ?? '')?.picture.alpha === 'none',
    );
  };

function covered(mod: ModView, model: ResolvedModel): BoxFace[] {
  const before = known.get(model);
  if (before?.textures === mod.textures) return before.found;
  const found = coveredFaces(model.boxes, isSolid(mod, model));
  known.set(model, { textures: mod.textures, found });
  return found;
}

export const faceNeverSeen = modRule({
  id: 'models/face-never-seen',
  severity: 'hint',
  title: 'Side that nobody can see',
  why:
    'A side that lies whole against or inside another box of the model is drawn in every block and ' +
    'never seen. Left out, it costs nothing.',
  messages: {
    faceNeverSeen: 'In the model {model} {many} never seen: {which}.',
  },
  fails: {
    '/models/lamp/boxes/1': {
      at: [6, 12, 8],
      size: [4, 2, 4],
      sides: { bottom: { slot: 'metal' } },
    },
  },
  passes: {
    '/models/lamp/boxes/1': { at: [6, 12, 8], size: [4, 2, 4], sides: { top: { slot: 'metal' } } },
  },
  check: (mod) =>
    [...resolvedModels(mod)].flatMap(([name, model]) => {
      const { boxes } = mod.models[name] ?? {};
      if (!boxes) return [];
      const found = covered(mod, model);
      if (!found.length) return [];
      return [
        {
          at: ['models', name, 'boxes', itemAt(found, 0).box, 'sides', itemAt(found, 0).side],
          says: 'faceNeverSeen',
          parts: {
            model: modelId(mod, name),
            many: count(found.length, 'side is', 'sides are'),
            which: facesInWords(boxes, found),
          },
          fix: leaveOutFix(mod, name, boxes, found),
        },
      ];
    }),
});
