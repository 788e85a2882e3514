import type { Finding, FindingsDiff } from '../../core/inspect/index.ts';
import type { SheetCell } from '../../core/draw/index.ts';
import type { Draft, DraftCheck, Preview } from '../../core/kits/index.ts';
import type { Breaking } from '../../core/loot/index.ts';
import type { Fit } from '../../core/models/index.ts';
import type { PlainBox } from '../../core/space/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import type { Crater, Estimate } from '../../core/traits/index.ts';
import type { Change, Mod } from '../../core/mod/index.ts';

/** What a sheet is laid on: the mod as it was, or an earlier sheet as a PNG. */
export type SheetBefore = { mod: Mod } | { png: Uint8Array };
/**
 * A sheet with what each picture shows; with something to compare, what differs. Or why there is
 * none.
 */
export interface SheetAnswer {
  pixels?: Pixels;
  columns: number;
  cells: SheetCell[];
  differing?: number;
  marked?: number[];
  problem?: string;
}

/** For each strength the crater of a touching charge, and the odds at each distance. */
export interface BlastAnswer {
  crater: Crater[];
  odds: Estimate[][];
}

/** For each item how often there was each number of it. */
export type BreaksAnswer = ReadonlyMap<string, readonly number[]>;

/** What the page says to the worker. */
export type ToWorker =
  | { kind: 'mod'; mod: Mod }
  | { kind: 'changes'; changes: Change[] }
  /** What would be found if the mod were built for another kit. */
  | { kind: 'for kit'; id: number; kit: string }
  | {
      kind: 'draw';
      id: number;
      block: string;
      state: number;
      pick: number;
      size: number;
      /** Drawn as large as the picture allows, not to the scale of its cell. */
      fills: boolean;
    }
  | {
      kind: 'sheet';
      id: number;
      block?: string;
      size: number;
      columns?: number;
      tick: number;
      before?: SheetBefore;
    }
  | {
      kind: 'blast';
      id: number;
      rating: number;
      strengths: number[];
      distances: number[];
      samples: number;
      seed: number;
    }
  | { kind: 'breaks'; id: number; block: string; breaking: Breaking; breaks: number; seed: number }
  /** What a kit that is being written writes for one thing. */
  | { kind: 'try kit'; id: number; draft: Draft; rule: number; called: string }
  | { kind: 'check kit'; id: number; draft: Draft }
  | { kind: 'cancel'; id: number }
  | { kind: 'encode'; id: number; pixels: Pixels }
  | { kind: 'fit'; id: number; boxes: readonly PlainBox[]; most: number }
  | { kind: 'fix all'; id: number; rule: string };

/** What the worker answers. */
export type FromWorker =
  /**
   * What changed since the findings that were told before, at first since none, and how many changes
   * of the mod came since then.
   */
  | { kind: 'findings'; diff: FindingsDiff; changes: number }
  | { kind: 'drawn'; id: number; size: number; data: Uint8Array | undefined }
  | { kind: 'progress'; id: number; done: number; total: number }
  | { kind: 'broken'; id: number; found: BreaksAnswer | undefined }
  | { kind: 'blasted'; id: number; found: BlastAnswer | undefined }
  | ({ kind: 'sheet drawn'; id: number } & SheetAnswer)
  | { kind: 'encoded'; id: number; png: Uint8Array }
  | { kind: 'fitted'; id: number; fits: Fit[] }
  | { kind: 'all fixed'; id: number; changes: Change[]; mended: number }
  | { kind: 'found for kit'; id: number; findings: Finding[] }
  | { kind: 'kit tried'; id: number; preview: Preview }
  | { kind: 'kit checked'; id: number; check: DraftCheck | undefined };
