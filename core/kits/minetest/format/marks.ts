import { listedDigests, type Files } from '../../../bytes/index.ts';

/** The name of the kit. */
export const kitName = 'minetest';

/** The file with the digests of all others, as `sha256sum` writes and checks them. */
export const marks = 'obrank.sha256';

/** The digests that a build was written with, by path; undefined without their list. */
export const recordedDigests = (files: Files): Map<string, string> | undefined =>
  listedDigests(files, marks);
