import { ownName, type Mod } from '../mod/index.ts';
import { modelFillsCell } from './facts.ts';
import { resolvedModelOf } from './find.ts';

/**
 * The textures of a mod that lie whole on a side of something that fills its cell, by their names:
 * what walls are made of.
 */
export function wallTextures(mod: Pick<Mod, 'header' | 'models' | 'textures'>): string[] {
  const { namespace, texels } = mod.header;
  const found = new Set<string>();
  for (const name of Object.keys(mod.models)) {
    const model = resolvedModelOf(mod, `${namespace}:${name}`);
    if (!model || !modelFillsCell(model, texels)) continue;
    for (const { sides } of model.boxes)
      for (const { texture, crop } of Object.values(sides)) {
        const own = texture === undefined ? undefined : ownName(namespace, texture);
        if (!crop && own !== undefined && Object.hasOwn(mod.textures, own)) found.add(own);
      }
  }
  return [...found].sort();
}
