import type { EntityManager } from 'typeorm';
import { EditTable, type EditRow } from './tables.ts';

/** A step that undo or redo would take: the revision of its edit, and its label. */
export interface Step {
  revision: number;
  label: string;
}
export interface Steps {
  undo?: Step;
  redo?: Step;
}
type StepRow = Pick<EditRow, 'revision' | 'kind' | 'label' | 'stepRevision'>;

/** So many lines of the log are read at once. */
const pageRows = 200;

/**
 * What undo and redo would take as the log of a mod stands. The log is read from its end, and only
 * as far as the answer needs.
 */
export async function readSteps(manager: EntityManager, mod: string): Promise<Steps> {
  const walk = new BackwardWalk();
  for (let skip = 0; ; skip += pageRows) {
    const rows = await manager.getRepository(EditTable).find({
      where: { mod },
      select: { revision: true, kind: true, label: true, stepRevision: true },
      order: { revision: 'DESC' },
      take: pageRows,
      skip,
    });
    for (const row of rows) if (walk.passes(row)) return walk.steps;
    if (rows.length < pageRows) return walk.steps;
  }
}

/** A walk along the log from its end: what was taken back hides as much of what was done before. */
class BackwardWalk {
  readonly steps: Steps = {};
  private undone = 0;
  private redone = 0;
  private seesRedo = true;

  /** Passes one line. True once nothing further back matters. */
  passes({ revision, kind, label, stepRevision }: StepRow): boolean {
    const step = { revision: stepRevision ?? revision, label };
    if (kind === 'undo') {
      this.undone += 1;
      if (this.redone > 0) this.redone -= 1;
      else if (this.seesRedo) this.steps.redo ??= step;
    } else {
      if (this.undone > 0) this.undone -= 1;
      else this.steps.undo ??= step;
      // Whatever was taken back before a new edit cannot be brought back.
      if (kind === 'edit') this.seesRedo = false;
      else this.redone += 1;
    }
    return this.steps.undo !== undefined && (!this.seesRedo || this.steps.redo !== undefined);
  }
}
