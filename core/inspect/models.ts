import { ownModel, resolveModel, type ResolvedModel } from '../models/index.ts';
import { idOf, type Mod, type Model } from '../mod/index.ts';

type Own = Pick<Mod, 'header' | 'models'>;
const known = new WeakMap<Mod['models'], Map<string, ResolvedModel>>();

/**
 * All models of a mod with their templates followed. Remembered for as long as no model changes.
 */
export function resolvedModels(mod: Own): Map<string, ResolvedModel> {
  const before = known.get(mod.models);
  if (before) return before;
  const made = new Map(
    Object.entries(mod.models).map(([name, model]) => [
      name,
      resolveModel(model, (id) => ownModel(mod, id), mod.header.texels),
    ]),
  );
  known.set(mod.models, made);
  return made;
}

/** The models that other models start from. */
export const usedAsTemplate = (mod: Own): Set<string> =>
  new Set(
    Object.values(mod.models)
      .map((model: Model) => model.template)
      .filter((id) => id !== undefined),
  );

/** `saltmarsh:lamp` for a model of the mod. */
export const modelId = (mod: Own, name: string): string => idOf(mod.header.namespace, name);
