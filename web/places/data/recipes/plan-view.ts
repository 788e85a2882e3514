/**
 * How a plan of so many columns and rows lies on the page, seen from above at an angle. Lengths in
 * pixels.
 */
export interface PlanView {
  /** Half the width and half the height of a place. */
  half: { width: number; height: number };
  /** The room that the whole takes, with what stands on its places. */
  size: { width: number; height: number };
  /**
   * The middle of a place; columns and rows may lie outside and between, for what stands at an
   * edge.
   */
  middleOf: (column: number, row: number) => { left: number; top: number };
}

/** What stands on a place reaches so far above its middle. */
const headroom = 40;
/** Room beside the plan for what grows it. */
const margin = 46;

/**
 * Lays a plan out: columns go down to the right, rows down to the left, places twice as wide as
 * high, as everything here is seen.
 *
 * @example planView(1, 1).middleOf(0, 0) // the middle of the only place
 */
export function planView(columns: number, rows: number): PlanView {
  const width = Math.max(31, Math.min(54, Math.floor(380 / (columns + rows))));
  const height = width / 2;
  return {
    half: { width, height },
    size: {
      width: (columns + rows) * width + 2 * margin,
      height: (columns + rows) * height + headroom + margin,
    },
    middleOf: (column, row) => ({
      left: margin + (column - row + rows) * width,
      top: headroom + (column + row + 1) * height,
    }),
  };
}
