import type { Files } from '../bytes/index.ts';
import type { Change, Fluid, Kept, Mod, Recipe, ResolvedBlock } from '../mod/index.ts';
import type { FilesChange } from '../mend/index.ts';
import type { Orientation } from '../space/index.ts';
import type { Declared } from './declared.ts';
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
  /** The kinds of recipes that it knows; all where nothing is said. */
  recipes?: readonly Recipe['kind'][];
  /** Whether a mod can give new looks to blocks that it does not own; not where nothing is said. */
  newLooks?: true;
  /** The most boxes of one model. */
  boxes: number;
  /** How far outside the cell a box may reach, in texels of sixteen a block. */
  reach: number;
  /** The step in degrees to which a box can be spun; 0 where any angle is shown. */
  spinStep: number;
  /** The longest side of a texture frame, in texels. */
  textureSide: number;
  /** In which orientations a model can stand; in all 24 where nothing is said. */
  orientations?: readonly Orientation[];
}

/** Hands over the bytes of a picture or a sound by its SHA-256. Throws when it is not there. */
export type BlobOf = (sha256: string) => Uint8Array;

/** How a target keeps the states of a block: as names, and a byte beside each. */
export interface Storage {
  nodes: readonly {
    name: string;
    states: readonly number[];
    /** What the byte tells, in words. */
    byte: string;
  }[];
  /** By state. */
  codes: readonly { node: number; byte: number }[];
}

/** What a target shows otherwise than a block declares, in a sentence. */
export interface Shortfall {
  facet: 'looks' | 'traits' | 'states';
  words: string;
}

/** Where an engine says otherwise than was predicted: its words beside ours. */
export interface Difference {
  about: string;
  /** What sort of question it answers, as one of those of {@link Laid.asked}. */
  sort?: string;
  /** The block, item or recipe that it is about. */
  of?: { kind: 'block' | 'item' | 'recipe' | 'fluid'; name: string };
  /** The part of the editor where it is mended. */
  facet?: string;
  ours: string;
  engine: string;
}

/** A mod laid out for an engine to be asked about it. */
export interface Laid {
  /** Everything that the engine reads, by path in a folder of its own. */
  files: Files;
  /** How many things it is asked. */
  checks: number;
  /** The same by what they are about, in words: `Placings` 433. */
  asked: ReadonlyMap<string, number>;
}

/** What an engine wrote and complained of; undefined where it did not. */
export interface Heard {
  answers?: unknown;
  complaint?: string;
}

/** How an engine is asked. */
export interface AskedHow {
  /** Drops are counted over so many diggings; 10,000 where nothing is said. */
  diggings?: number;
  /** Whether the mod is only loaded, and nothing asked of it. */
  onlyLoads?: boolean;
}

/** A world of an engine in which a mod's blocks stand to be looked at, and who photographs it. */
export interface Gallery {
  /** So many blocks stand in it at most. */
  most: number;
  /** The files of its world, for a server that builds it when it first starts; with a camera in it. */
  lay: (mod: Mod, built: Files, hasCamera?: boolean) => Files;
  /** Whether the server says that it is built, from all that it printed. */
  built: (output: string) => boolean;
  /** The engine's client, which shows it on a screen. */
  client: {
    programs: readonly string[];
    get: string;
    args: (folder: string) => string[];
    env: (folder: string) => Record<string, string>;
    /** Whether a line that it prints says that it stands where the picture is taken. */
    isIn: (line: string) => boolean;
    /** Width and height of its window in pixels. */
    size: readonly [number, number];
  };
}

/** An engine that runs on this machine, and can be asked what a build means to it. */
export interface Engine {
  title: string;
  /** What its program may be called, and in which folders it may lie when it is not on PATH. */
  programs: readonly string[];
  folders: readonly string[];
  /** How one gets it, in a sentence. */
  get: string;
  /** What its program prints of itself with `--version`, so that another one is told apart. */
  knows: RegExp;
  /** Lays out a mod, and the files that were built from it, to be asked about. */
  lay: (mod: Mod, built: Files, how?: AskedHow) => Laid;
  /** The program's arguments, for the folder where that lies and a free port of this machine. */
  args: (folder: string, port: number) => string[];
  /** What the program finds in its environment. */
  env: (folder: string) => Record<string, string>;
  /** The file in the folder that it writes once it has answered everything. */
  answers: string;
  /** How many it has answered, from a line that it prints; undefined for any other line. */
  progress: (line: string) => number | undefined;
  /** What it complains of, from all that it printed; undefined where nothing is amiss. */
  complaint: (output: string) => string | undefined;
  /** Whether it says that another program has its port, from all that it printed. */
  portTaken: (output: string) => boolean;
  gallery: Gallery;
  /** Where it says otherwise than predicted, for a mod that was laid out so. */
  judge: (mod: Mod, built: Files, heard: Heard, how?: AskedHow) => Difference[];
}

/** What a target's reader says of files. */
export interface Checked {
  reports: RuledReport[];
  /** What they declare, where the target can be read back. */
  declared?: Declared;
  /** As {@link Kit.mend}, of these very files, without reading them anew. */
  mend?: (changes: readonly Change[]) => FilesChange | undefined;
}

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
  /**
   * The file of a build that the next one may always replace, such as the one with the digests; not
   * every kit has one.
   */
  marker?: string;

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
  /** Whether a text is a list of lines, each by itself; none is where this is not there. */
  isList?: (path: string) => boolean;

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
   * Everything that is wrong with the files as files, whoever wrote them, and what they declare. It
   * knows nothing of the declaration that they were built from. `onProgress` is told of files read;
   * what it throws stops the work.
   */
  check: (files: Files, onProgress?: (done: number, total: number) => void) => Checked;
  /**
   * Makes changes of what files declare in the files, each in the way of its author. Undefined
   * where they do not fit there. Only a target that can be read back has it.
   */
  mend?: (files: Files, changes: readonly Change[]) => FilesChange | undefined;
  /** What follows from a change of files for those that keep digests of others. */
  settle?: (before: Files, after: Files) => FilesChange;
  /** The rules that {@link check} asks, for the docs and the tests. */
  rules: readonly FileRule[];
  /** How the target keeps the states of a block, where that is not by one number. */
  storage?: (mod: Mod, block: ResolvedBlock) => Storage | undefined;
  /** The same for the ledger, frozen when a version is released. */
  freeze?: (mod: Mod, block: ResolvedBlock) => Kept | undefined;
  /** What the target shows otherwise than a block declares; nothing where it shows all. */
  shortfalls?: (mod: Mod, block: ResolvedBlock) => Shortfall[];
  /** What the target shows otherwise than a fluid declares, each in a sentence. */
  fluidShortfalls?: (fluid: Fluid) => string[];
  /** The engine itself, where one runs on this machine. */
  engine?: Engine;
}
