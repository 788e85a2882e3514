import { lookUp } from '../mod/index.ts';
import type { Mod } from '../mod/mod.schema.ts';
import { ownName } from '../mod/names.ts';
import type { Model, Texture } from '../mod/entries.schema.ts';
import { frameSize } from '../textures/strip.ts';
import { templateNamed } from './templates.ts';
import { resolveModel, type ResolvedModel } from './resolve.ts';
import type { TextureSize } from './quads.ts';

type Own = Pick<Mod, 'header' | 'models' | 'textures'>;

/** The mod's own model of that id. */
export function ownModel(mod: Pick<Mod, 'header' | 'models'>, id: string): Model | undefined {
  const name = ownName(mod.header.namespace, id);
  return name === undefined ? undefined : lookUp(mod.models, name);
}

/** The mod's own model of that id, or a built-in template as a model. */
export const modelOf = (mod: Pick<Mod, 'header' | 'models'>, id: string): Model | undefined =>
  ownModel(mod, id) ?? (templateNamed(id) ? { template: id } : undefined);

/** A model by its id with its templates followed; undefined when there is none. */
export function resolvedModelOf(
  mod: Pick<Mod, 'header' | 'models'>,
  id: string,
): ResolvedModel | undefined {
  const model = modelOf(mod, id);
  return model && resolveModel(model, (template) => ownModel(mod, template), mod.header.texels);
}

/** The mod's own texture of that id. */
export function textureOf(mod: Pick<Mod, 'header' | 'textures'>, id: string): Texture | undefined {
  const name = ownName(mod.header.namespace, id);
  return name === undefined ? undefined : lookUp(mod.textures, name);
}

/** The frame sizes of the mod's textures. */
export const textureSizes =
  (mod: Own): TextureSize =>
  (id) => {
    const texture = textureOf(mod, id);
    return texture && frameSize(texture);
  };
