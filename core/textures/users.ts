import type { Mod } from '../mod/index.ts';

/** Who shows each texture, by its id: `model lantern`, `item salt`. */
export function textureUsers({
  models,
  items,
}: Pick<Mod, 'models' | 'items'>): Map<string, string[]> {
  const users = new Map<string, string[]>();
  const add = (texture: string, user: string) =>
    users.set(texture, [...(users.get(texture) ?? []), user]);
  for (const [name, { slots = {} }] of Object.entries(models))
    for (const texture of new Set(Object.values(slots))) add(texture, `model ${name}`);
  for (const [name, { texture }] of Object.entries(items))
    if (texture !== undefined) add(texture, `item ${name}`);
  return users;
}
