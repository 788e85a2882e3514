import type { ChangedFile, Finding } from '../../core/inspect/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import type { Bringing, TakenOver, TakeOverHow } from '../../core/take-over/index.ts';

/** Where a pack came from: what it is called, and its files or the archive that holds them. */
export type PackSource = { name: string } & (
  { files: [path: string, bytes: Uint8Array][] } | { archive: Uint8Array }
);

/** A pack from elsewhere as it stands: what the page shows of it. */
export interface PackView {
  name: string;
  /** Whether it is a target's pack, or the folder of a mod. */
  kind: 'pack' | 'mod';
  /** What it is, in words. */
  form: string;
  /** Every file with its bytes. */
  files: { path: string; size: number }[];
  /** What is wrong; a fix is told by its title alone, and whether it is safe. */
  findings: (Finding & { safe?: boolean })[];
  /** What would be taken back, and what would be done again. */
  undo?: string;
  redo?: string;
  /** The paths of files that are otherwise than they were given. */
  changed: string[];
}

/** Which findings are mended: one by its place in the list, all of a rule, all that are safe. */
export type Chosen = { finding: number } | { rule: string } | 'safe';

/** What a fix of a finding would do to files, as text where they are text. */
export interface Preview {
  files: { path: string; before?: string; after?: string }[];
}

/** A file as it stands: its text, or its bytes where it is none. */
export type ShownFile = { text: string } | { bytes: Uint8Array } | { gone: true };

/** What the game would show because of a finding: a block as it is, and as it would be mended. */
export interface Consequence {
  block: string;
  size: number;
  now: Uint8Array;
  mended?: Uint8Array;
}

/** A block of the pack that can be taken over. */
export interface PackBlock {
  name: string;
  title: string;
  states: number;
}

/** What a pack has to take over: its blocks, and what they are called together. */
export interface PackParts {
  namespace: string;
  title: string;
  blocks: PackBlock[];
}

/** What a mod out of the whole pack would be. */
export type WholeMod = Omit<TakenOver, 'mod' | 'blobs'> & {
  counts: { blocks: number; items: number; models: number; textures: number; sounds: number };
};

/** What the page asks, and what is answered, by name. */
export interface PackAsks {
  open: { asked: { source: PackSource }; answer: PackView };
  mend: { asked: { chosen: Chosen }; answer: { view: PackView; mended: number } };
  /** Puts the picture right that a finding is about. */
  mendPicture: { asked: { finding: number }; answer: { view: PackView; mended: number } };
  go: { asked: { way: 'back' | 'on' }; answer: PackView };
  file: { asked: { path: string }; answer: ShownFile };
  preview: { asked: { finding: number }; answer: Preview };
  consequence: { asked: { finding: number; size: number }; answer: Consequence | undefined };
  archive: { asked: object; answer: Uint8Array };
  changes: { asked: object; answer: ChangedFile[] };
  saved: { asked: object; answer: PackView };
  parts: { asked: object; answer: PackParts };
  drawing: { asked: { block: string; size: number }; answer: Uint8Array };
  wholeMod: { asked: { how: TakeOverHow }; answer: WholeMod };
  modFolder: { asked: { how: TakeOverHow; title?: string }; answer: Uint8Array };
  bring: {
    asked: { target: Mod; blocks: string[]; names: Record<string, string> };
    answer: Bringing;
  };
  beside: { asked: { target: Mod }; answer: Finding[] };
  blobs: { asked: { digests: string[] }; answer: Uint8Array[] };
}

export type PackAsk = {
  [Name in keyof PackAsks]: { id: number; ask: Name } & PackAsks[Name]['asked'];
}[keyof PackAsks];

/** What the worker says of something that was asked: how far it is, what came of it, or why not. */
export type PackAnswer =
  | { id: number; progress: string }
  | { id: number; answer: PackAsks[keyof PackAsks]['answer'] }
  | { id: number; problem: string };
