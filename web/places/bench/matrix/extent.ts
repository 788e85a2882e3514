import type { Arrangement, Plane } from './layout.ts';

/** The width of one level of row heads, and the height of one of column heads, in pixels. */
export const bandWidth = 70;
export const headHeight = 24;
/** Cells are as large as fits, within these bounds. */
const [smallest, largest] = [58, 104];

/** Where the cells begin, and how large each is, in pixels. */
export interface Extent {
  top: number;
  left: number;
  cell: number;
}

/** How large everything is drawn in a window of some width and height. */
export function extentOf(
  { rows, columns }: Arrangement,
  plane: Pick<Plane, 'rows' | 'columns'>,
  { width, height }: { width: number; height: number },
): Extent {
  const top = Math.max(1, columns.length) * headHeight + 6;
  const left = Math.max(1, rows.length) * bandWidth + 6;
  const fitting = Math.min(
    Math.floor((width - left - 4) / plane.columns.length),
    Math.floor((height - top - 4) / plane.rows.length),
  );
  return { top, left, cell: Math.max(smallest, Math.min(largest, fitting)) };
}
