import { unzipSync, zipSync } from 'fflate';

/** Files by their path, with forward slashes, relative to their folder. */
export type Files = Map<string, Uint8Array>;

/** Why an archive was refused, in one sentence. */
export class ZipProblem extends Error {
  override name = 'ZipProblem';
}

/** Bounds of what is unpacked, so that a small archive cannot fill the memory. */
export interface ZipBounds { files: number; bytes: number }
export const usualBounds: ZipBounds = { files: 50_000, bytes: 256 * 1024 * 1024 };

/** The earliest time that a ZIP can hold: the same on every run and machine. */
const fixedTime = new Date(1980, 0, 1);

/** Files as a ZIP (APPNOTE 6.3.3). The same files give the same bytes. */
export const writeZip = (files: Files): Uint8Array =>
  zipSync(Object.fromEntries([...files].map(([path, bytes]) => [path, [bytes, { level: /\.(png|ogg)$/.test(path) ? 0 : 6 }]] as const)), { mtime: fixedTime });

/**
 * The files of a ZIP, folders left out. Sizes and paths are checked from the directory of the archive before anything is unpacked.
 * Throws a {@link ZipProblem}.
 */
export function readZip(bytes: Uint8Array, bounds: ZipBounds = usualBounds): Files {
  let total = 0;
  let many = 0;
  const twice = new Set<string>();
  let unpacked: Record<string, Uint8Array>;
  try {
    unpacked = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name.endsWith('/')) return false;
        const why = unsafePath(name);
        if (why) throw new ZipProblem(`The archive holds "${name}", ${why}. Nothing was unpacked.`);
        if (twice.has(name)) throw new ZipProblem(`The archive holds "${name}" twice. Nothing was unpacked.`);
        twice.add(name);
        many += 1;
        total += originalSize;
        if (many > bounds.files) throw new ZipProblem(`The archive holds more than ${bounds.files} files. Nothing was unpacked.`);
        if (total > bounds.bytes) throw new ZipProblem(`The archive unpacks to more than ${Math.round(bounds.bytes / 1048576)} MB. Nothing was unpacked.`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof ZipProblem) throw error;
    throw new ZipProblem(`This is not a whole ZIP archive: ${(error as Error).message}.`);
  }
  return new Map(Object.entries(unpacked));
}

/** Why a path must not be used inside a pack; undefined when it may. The words follow "…holds "path", ". */
export function unsafePath(path: string): string | undefined {
  if (path === '' || path.length > 200) return 'a path that is empty or longer than 200 characters';
  if (path.startsWith('/') || /^[A-Za-z]:/.test(path)) return 'a path that begins at the root of a disk';
  if (path.includes('\\')) return 'a path with a backslash';
  if (/[\u0000-\u001f<>:"|?*]/.test(path)) return 'a path with characters that some systems cannot hold';
  for (const part of path.split('/')) {
    if (part === '..') return 'a path that leaves the pack';
    if (part === '' || part === '.') return 'a path with an empty step';
    if (/[. ]$/.test(part)) return 'a path with a step that ends in a dot or a space';
    if (/^(con|prn|aux|nul|com[1-9]|lpt[1-9])(\.|$)/i.test(part)) return 'a path with a name that some systems reserve';
  }
  return undefined;
}
