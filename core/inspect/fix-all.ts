import { applyChanges, EditConflict, type Change, type Mod } from '../mod/index.ts';
import { inspect } from './run.ts';

/**
 * The changes that mend every finding of a rule that has a fix, in the order in which they apply,
 * and how many findings they mend. Fixes that touch the same list cannot all apply at once: what
 * does not fit any more is asked for anew on the mod as it then is. A finding that its own fix does
 * not mend is left alone.
 *
 * @example const { changes } = fixAll(mod, 'names/missing'); const mended = applyChanges(mod, changes)
 */
export function fixAll(mod: Mod, rule: string): { changes: Change[]; mended: number } {
  const changes: Change[] = [];
  let [at, mended, left] = [mod, 0, Infinity];
  for (;;) {
    const found = inspect(at).filter((finding) => finding.rule === rule && finding.fix);
    // Each round must leave fewer than the one before; otherwise the fixes do not mend what is
    // left.
    if (!found.length || found.length >= left) return { changes, mended };
    left = found.length;
    for (const { fix } of found) {
      try {
        at = applyChanges(at, fix!.changes);
      } catch (error) {
        if (error instanceof EditConflict) continue;
        throw error;
      }
      changes.push(...fix!.changes);
      mended += 1;
    }
  }
}
