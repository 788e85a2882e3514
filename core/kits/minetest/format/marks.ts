import type { Files } from '../../../bytes/index.ts';

/** The name of the kit. */
export const kitName = 'minetest';

/** The file with the digests of all others, as `sha256sum` writes and checks them. */
export const marks = 'obrank.sha256';

/** The digests that a build was written with, by path; undefined without their list. */
export function recordedDigests(files: Files): Map<string, string> | undefined {
  const list = files.get(marks);
  const lines = list && new TextDecoder().decode(list).matchAll(/^([0-9a-f]{64}) {2}(.+)$/gm);
  return lines && new Map([...lines].map(([, digest = '', path = '']) => [path, digest]));
}
