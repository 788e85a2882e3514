/** One step of the log, without what it changed in detail. */
export interface Step {
  revision: number;
  /** When it was logged (RFC 3339). */
  time: string;
  author: string;
  kind: 'edit' | 'undo' | 'redo';
  label: string;
  /** The blocks that it touched, by name. */
  blocks: string[];
}

/** Steps of one author without a long pause between them, newest first. */
export interface Stretch<S extends Step = Step> {
  author: string;
  from: string;
  to: string;
  steps: S[];
  /** Every block that one of the steps touched, the one touched last first. */
  blocks: string[];
}

/** A pause longer than this ends a stretch of work. */
export const pauseMinutes = 20;

const minuteMs = 60_000;

/**
 * Steps gathered into stretches of work, newest first. `steps` come newest first as well.
 *
 * @example gatherStretches(steps)[0].blocks // ['tide_lantern', 'salt_crust']
 */
export function gatherStretches<S extends Step>(steps: readonly S[]): Stretch<S>[] {
  const stretches: Stretch<S>[] = [];
  for (const step of steps) {
    const last = stretches.at(-1);
    if (last && last.author === step.author && isSoon(step.time, last.from)) {
      last.steps.push(step);
      last.from = step.time;
      last.blocks.push(...step.blocks.filter((block) => !last.blocks.includes(block)));
    } else
      stretches.push({
        author: step.author,
        from: step.time,
        to: step.time,
        steps: [step],
        blocks: [...step.blocks],
      });
  }
  return stretches;
}

const isSoon = (earlier: string, later: string): boolean =>
  Date.parse(later) - Date.parse(earlier) <= pauseMinutes * minuteMs;
