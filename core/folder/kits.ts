import { kitFile } from '../mod/index.ts';

/** Where in a mod folder its own kits lie, each in a folder under its name. */
export const kitsFolder = 'kits/';

/** What a file in {@link kitsFolder} is: the kit itself, or one of its texts. */
export interface KitPart {
  kind: 'kits' | 'kitFiles';
  name: string;
}

/**
 * What of a kit a file of a mod folder is; undefined for a file that lies elsewhere. Whether its
 * name is allowed is not looked at.
 *
 * @example kitPart('kits/tidal/kit.json') // { kind: 'kits', name: 'tidal' }
 */
export function kitPart(file: string): KitPart | undefined {
  const [, kit, path] = /^kits\/([^/]+)\/(.+)$/.exec(file) ?? [];
  const isHidden = /(?:^|\/)\./.test(file);
  if (kit === undefined || path === undefined || isHidden) return undefined;
  return path === kitFile
    ? { kind: 'kits', name: kit }
    : { kind: 'kitFiles', name: `${kit}/${path}` };
}

/** The file in which a part of a kit lies. */
export const fileOfKit = ({ kind, name }: KitPart): string =>
  kind === 'kits' ? `${kitsFolder}${name}/${kitFile}` : kitsFolder + name;
