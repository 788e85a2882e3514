import type { Mod } from './mod.schema.ts';

/** The pictures, sounds and kept files that a mod names, each by its digest and length. */
export const blobsNamedIn = (mod: Mod): { sha256: string; bytes: number }[] => [
  ...Object.values(mod.textures).map(({ picture }) => picture),
  ...Object.values(mod.sounds),
  ...(mod.header.picture ? [mod.header.picture] : []),
  ...Object.values(mod.header.kept ?? {}),
];
