import type { Decided } from '../../disk/index.ts';
import type { ComparedFile, Plan, Verdict, Walked } from '../../core/api/index.ts';
import type { Difference, Heard, Laid } from '../../core/kits/index.ts';
import type { EntryKind, Mod } from '../../core/mod/index.ts';

/** One entry of the mod that the builder does not have yet; without a document it is gone. */
export interface EntryChange {
  kind: EntryKind;
  name: string;
  document?: unknown;
}

/** What people decided about files that they changed by hand. */
type Decisions = Pick<Decided, 'keep' | 'settled' | 'fresh' | 'joins'>;

/** Which blocks are built, none for all; without it as it was at the target the last time. */
interface Chosen {
  blocks?: readonly string[] | undefined;
}

/** What can be asked of a builder. All of it is about the mod as it was last told. */
export type Task =
  | ({ do: 'plan'; target: string } & Chosen & Decisions)
  | ({ do: 'compare'; target: string; path: string } & Chosen & Omit<Decisions, 'keep'>)
  | ({ do: 'build'; target: string; agreed?: string } & Chosen & Decisions)
  | { do: 'walk' }
  | { do: 'lay out' }
  | { do: 'judge'; heard: Heard }
  | { do: 'pack zip' }
  | { do: 'yard zip' }
  | { do: 'folder zip' };

/** What comes of each task. */
export interface TaskResults {
  plan: Plan;
  compare: ComparedFile;
  build: Plan;
  walk: Omit<Walked, 'revision'>;
  'lay out': Laid;
  judge: { differences: Difference[]; near: Verdict['near'] };
  'pack zip': Uint8Array;
  'yard zip': Uint8Array;
  'folder zip': Uint8Array;
}

export type ToBuilder =
  | { say: 'header'; header: Mod['header']; ledger: Mod['ledger'] }
  | { say: 'entries'; entries: EntryChange[] }
  | { say: 'blobs'; blobs: [sha256: string, bytes: Uint8Array][] }
  | { say: 'task'; id: number; task: Task }
  | { say: 'cancel'; id: number };

export type FromBuilder =
  | { say: 'progress'; id: number; done: number; total: number }
  | { say: 'done'; id: number; result: unknown }
  | { say: 'failed'; id: number; message: string; isForeseen: boolean; stack?: string };
