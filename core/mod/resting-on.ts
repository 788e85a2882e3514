import { pointer } from '../json/index.ts';
import type { Mod } from './mod.schema.ts';
import { ownName } from './names.ts';

/** The models that start from one of which nothing is known, directly or through others. */
export function restingOn(
  namespace: string,
  models: Mod['models'],
  unread: ReadonlySet<string>,
): string[] {
  const isUnread = (name: string, followed: Set<string> = new Set()): boolean => {
    if (unread.has(pointer(['models', name]))) return true;
    const template = ownName(namespace, models[name]?.template ?? '');
    return template !== undefined && !followed.has(name) && isUnread(template, followed.add(name));
  };
  return Object.keys(models).filter((name) => isUnread(name));
}
