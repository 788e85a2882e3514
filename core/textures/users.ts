import type { Mod } from '../mod/index.ts';

/** Who shows each texture, by its id: `model lantern`, `item salt`, `fluid brine`. */
export function textureUsers({
  models,
  items,
  fluids,
  blocks = {},
}: Pick<Mod, 'models' | 'items' | 'fluids'> & Partial<Pick<Mod, 'blocks'>>): Map<string, string[]> {
  const users = new Map<string, string[]>();
  const add = (texture: string, user: string) =>
    users.set(texture, [...(users.get(texture) ?? []), user]);
  for (const [name, { slots = {} }] of Object.entries(models))
    for (const texture of new Set(Object.values(slots))) add(texture, `model ${name}`);
  for (const [name, { texture }] of Object.entries(items))
    if (texture !== undefined) add(texture, `item ${name}`);
  for (const [name, { still, flowing }] of Object.entries(fluids))
    for (const texture of new Set([still, flowing]))
      if (texture !== undefined) add(texture, `fluid ${name}`);
  for (const [name, { identity }] of Object.entries(blocks))
    if (identity.held?.picture !== undefined) add(identity.held.picture, `item of ${name}`);
  return users;
}
