/** A cell of a grid. */
export interface GridCell {
  row: number;
  column: number;
}
export interface GridSize {
  rows: number;
  columns: number;
}
/** What of a keyboard event says where one goes. */
interface Pressed {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
}

const within = (index: number, many: number): number => Math.max(0, Math.min(many - 1, index));

/**
 * Where a key leads from a cell, inside of the grid; undefined for keys that lead nowhere. An arrow
 * with Ctrl goes to the end of its row or column.
 *
 * @example cellAfter({ key: 'ArrowDown', … }, { row: 0, column: 2 }, { rows: 4, columns: 3 }, 8)
 * // { row: 1, column: 2 }
 */
export function cellAfter(
  { key, ctrlKey, metaKey }: Pressed,
  { row, column }: GridCell,
  { rows, columns }: GridSize,
  pageRows: number,
): GridCell | undefined {
  const far = ctrlKey || metaKey ? Infinity : 1;
  const steps: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
    ArrowUp: [-far, 0],
    ArrowDown: [far, 0],
    ArrowLeft: [0, -far],
    ArrowRight: [0, far],
    Home: [0, -Infinity],
    End: [0, Infinity],
    PageUp: [-pageRows, 0],
    PageDown: [pageRows, 0],
  };
  const step = Object.hasOwn(steps, key) ? steps[key] : undefined;
  return step && { row: within(row + step[0], rows), column: within(column + step[1], columns) };
}

/** All cells of the rectangle with two corners, row by row. */
export function cellsBetween(one: GridCell, other: GridCell): GridCell[] {
  const [top, left] = [Math.min(one.row, other.row), Math.min(one.column, other.column)];
  const [high, wide] = [Math.abs(one.row - other.row) + 1, Math.abs(one.column - other.column) + 1];
  return Array.from({ length: high * wide }, (_, i) => ({
    row: top + Math.floor(i / wide),
    column: left + (i % wide),
  }));
}

/** A choice with one member taken out when it is there, and put in when it is not. */
export const toggled = <T>(chosen: ReadonlySet<T>, member: T): T[] =>
  chosen.has(member) ? [...chosen].filter((other) => other !== member) : [...chosen, member];
