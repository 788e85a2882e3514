/** Why something on this machine could not be read or written, in one or two sentences for people. */
export class DiskProblem extends Error {
  override name = 'DiskProblem';
}

const sentences: Record<string, (path: string) => string> = {
  ENOENT: (path) => `${path} does not exist.`,
  ENOTDIR: (path) => `A part of the path ${path} is a file, not a folder.`,
  EACCES: (path) => `${path} may not be written or read by this user. Choose another place or change its permissions.`,
  EPERM: (path) => `${path} may not be changed by this user. Choose another place or change its permissions.`,
  EROFS: (path) => `${path} lies on a disk that can only be read. Choose another place.`,
  ENOSPC: (path) => `The disk is full: ${path} could not be written. What was there before is untouched.`,
  EDQUOT: (path) => `The space allowed on the disk is used up: ${path} could not be written. What was there before is untouched.`,
  ENAMETOOLONG: (path) => `The path ${path.slice(0, 80)}… is too long for this system.`,
  EMFILE: () => 'Too many files are open on this machine. Close some programs and try again.',
  ELOOP: (path) => `${path} leads in a circle of links.`,
};

/** The system's error as a {@link DiskProblem}; one that is none, or has no code, is given back as it is. */
export function inWords(error: unknown, path: string): unknown {
  const code = (error as NodeJS.ErrnoException | undefined)?.code;
  if (error instanceof DiskProblem || code === undefined) return error;
  return new DiskProblem(sentences[code]?.(path) ?? `${path} could not be used: ${(error as Error).message}`);
}
