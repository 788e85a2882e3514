/**
 * Why something on this machine could not be read or written, in one or two sentences for people.
 */
export class DiskProblem extends Error {
  override name = 'DiskProblem';
}

/** A build that asks something first: what it asks, in sentences. */
export class DiskQuestion extends DiskProblem {}

/**
 * A path as it may be printed: line breaks, escape sequences and what reorders text are written
 * out, and what is no text is marked.
 *
 * @example shown('a\u001b[31mb') // 'a\\u{1b}[31mb'
 */
export const shown = (path: string): string =>
  path.replaceAll(
    /[\p{Cc}\p{Cf}\p{Cs}\u2028\u2029]/gu,
    (sign) => `\\u{${(sign.codePointAt(0) ?? 0).toString(16)}}`,
  );

const sentences: Record<string, (path: string) => string> = {
  ENOENT: (path) => `${path} does not exist.`,
  ENOTDIR: (path) => `A part of the path ${path} is a file, not a folder.`,
  EACCES: (path) =>
    `${path} may not be written or read by this user. Choose another place or change its ` +
    'permissions.',
  EPERM: (path) =>
    `${path} may not be changed by this user. Choose another place or change its permissions.`,
  EROFS: (path) => `${path} lies on a disk that can only be read. Choose another place.`,
  ENOSPC: (path) =>
    `The disk is full: ${path} could not be written. What was there before is untouched.`,
  EDQUOT: (path) =>
    `The space allowed on the disk is used up: ${path} could not be written. What was ` +
    'there before is untouched.',
  ENAMETOOLONG: (path) => `The path ${path.slice(0, 80)}… is too long for this system.`,
  ENXIO: (path) => `${path} is not an ordinary file, so it is not read.`,
  EISDIR: (path) => `${path} is a folder, not a file.`,
  EBUSY: (path) => `${path} is in use by another program. Try again once that is done.`,
  EIO: (path) => `The disk reports an error at ${path}. What was there before is untouched.`,
  EMFILE: () => 'Too many files are open on this machine. Close some programs and try again.',
  ELOOP: (path) => `${path} is a link that is not followed, or leads in a circle of links.`,
};

/**
 * The system's error as a {@link DiskProblem}; one that is none, or has no code, is given back as
 * it is.
 */
export function inWords(error: unknown, path: string): unknown {
  const code = (error as NodeJS.ErrnoException | undefined)?.code;
  if (error instanceof DiskProblem || code === undefined) return error;
  const sentence = Object.hasOwn(sentences, code) ? sentences[code] : undefined;
  return new DiskProblem(sentence?.(shown(path)) ?? `${shown(path)} could not be used (${code}).`);
}
