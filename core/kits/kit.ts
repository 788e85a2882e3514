import type { Files } from '../bytes/index.ts';
import type { Mod } from '../mod/index.ts';
import type { FileRule, RuledReport } from './file-rule.ts';

/** What a target can hold. */
export interface KitLimits {
  /** The most states of one block. */
  states: number;
  /** The bits of a state code. */
  stateCodeBits: number;
  /** Whether shares of candidates must be whole numbers. */
  wholeShares: boolean;
  /** The most places of a pattern, across and down. */
  pattern: readonly [number, number];
  /** The most boxes of one model. */
  boxes: number;
  /** How far outside the cell a box may reach, in texels of sixteen a block. */
  reach: number;
  /** The step in degrees to which a box can be spun; 0 where any angle is shown. */
  spinStep: number;
  /** The longest side of a texture frame, in texels. */
  textureSide: number;
}

/** Hands over the bytes of a picture or a sound by its SHA-256. Throws when it is not there. */
export type BlobOf = (sha256: string) => Uint8Array;

/**
 * A target: how a mod is written for one engine, how its files are read and judged, and what that
 * engine can hold.
 */
export interface Kit {
  name: string;
  title: string;
  limits: KitLimits;
  /**
   * Where the engine digs otherwise than the reference physics: its ticks a second, and how many
   * times longer the wrong tool takes on a gated block.
   */
  physics?: { tickRate: number; wrongTool: number };
  /** What a build as one file ends in, such as `.obpack`; it is a ZIP archive. */
  ending: string;
  /** The file of a build that the next one may always replace, such as the one with the digests. */
  marker: string;

  /**
   * All files of a build, by path. The same mod gives the same bytes. `onProgress` is told of
   * blocks done; what it throws stops the work.
   */
  write: (mod: Mod, blobOf: BlobOf, onProgress?: (done: number, total: number) => void) => Files;
  /**
   * The files that follow from one block alone, for the view beside its editor: by path, as text.
   */
  writeBlock: (mod: Mod, block: string) => Map<string, string>;
  /** Whether a file of a build is text, to be compared line by line. */
  isText: (path: string) => boolean;

  /**
   * Whether files are meant for this target, going by their paths alone; also when they are
   * damaged.
   */
  recognises: (paths: Iterable<string>) => boolean;
  /**
   * The SHA-256 of each file as it was built, from the files of a build; undefined when they are
   * none.
   */
  recordedDigests: (files: Files) => ReadonlyMap<string, string> | undefined;
  /**
   * Everything that is wrong with the files, whoever wrote them. It knows nothing of the
   * declaration.
   */
  check: (files: Files) => RuledReport[];
  /** The rules that {@link check} asks, for the docs and the tests. */
  rules: readonly FileRule[];
}
