import type { Finding } from '../../core/inspect/index.ts';
import type { Change, Mod } from '../../core/mod/index.ts';

/** What the page says to the worker. */
export type ToWorker =
  | { kind: 'mod'; mod: Mod }
  | { kind: 'changes'; changes: Change[] }
  | { kind: 'draw'; id: number; block: string; state: number; pick: number; size: number }
  | { kind: 'fix all'; id: number; rule: string }
  | { kind: 'check pack'; id: number; bytes: Uint8Array };

/** What the worker answers. */
export type FromWorker =
  | { kind: 'findings'; findings: Finding[] }
  | { kind: 'drawn'; id: number; size: number; data: Uint8Array | undefined }
  | { kind: 'all fixed'; id: number; changes: Change[]; mended: number }
  | { kind: 'pack checked'; id: number; findings: Finding[]; problem?: string; files: number };
