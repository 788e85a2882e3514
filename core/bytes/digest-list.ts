import { digestOf } from './digest.ts';
import type { Files } from './zip.ts';

/**
 * A file that lists every other file of a build by its SHA-256, a line each, as `sha256sum` writes
 * and checks them.
 *
 * @example digestList(files) // 'e3b0c442…  notes/bank.txt\n'
 */
export const digestList = (files: Files): Uint8Array =>
  new TextEncoder().encode(
    [...files].map(([path, bytes]) => `${digestOf(bytes)}  ${path}\n`).join(''),
  );

/** The digests that such a list holds, by path; undefined without a list. */
export function listedDigests(files: Files, list: string): Map<string, string> | undefined {
  const bytes = files.get(list);
  const lines = bytes && new TextDecoder().decode(bytes).matchAll(/^([0-9a-f]{64}) {2}(.+)$/gm);
  return lines && new Map([...lines].map(([, digest = '', path = '']) => [path, digest]));
}

/** The files that a list does not hold as they are. */
export function unlisted(files: Files, list: string): string[] {
  const recorded = listedDigests(files, list);
  return [...files].flatMap(([file, bytes]) =>
    file === list || recorded?.get(file) === digestOf(bytes) ? [] : [file],
  );
}
