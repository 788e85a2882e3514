import { plainName } from '../format/names.ts';

/** The engine's name of a block or an item by its id: `saltmarsh:brack_bar` as it stands. */
export const engineName = (id: string): string => {
  const colon = id.indexOf(':');
  return `${plainName(id.slice(0, colon))}:${plainName(id.slice(colon + 1))}`;
};

/** The group that stands for a tag: `saltmarsh:bars` is `saltmarsh_bars`. */
export const groupName = (tag: string): string => plainName(tag);

/**
 * The file of a picture, a sound or a mesh, without its ending: names of all mods share one room,
 * so the namespace comes first.
 */
export const fileName = (namespace: string, name: string): string =>
  plainName(`${namespace}_${name}`);
