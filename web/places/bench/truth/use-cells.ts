import { useRef, type KeyboardEvent, type MouseEvent } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import type { TruthTable } from '../../../../core/loot/index.ts';
import { focusSoon } from '../../../parts/focus-soon.ts';
import { actOnKey, isCommand } from '../../../parts/keys/act-on-key.ts';
import { cellAfter, cellsBetween, toggled, type GridCell } from '../../../parts/grid/moves.ts';
import { useDropChoice } from './choice.tsx';
import type { usePaintDrops } from './paint.ts';

/** So many rows a page key goes. */
const pageRows = 8;

/**
 * How the cells of a truth table lie: the ways of breaking down, and across every choice of the
 * shown properties, first usually and then carefully.
 */
export interface TruthGrid {
  rows: number;
  columns: number;
  /** How many columns one half has. */
  half: number;
  /** A cell by its row and column. */
  cellAt: (row: number, column: number) => number;
  /** A blast knows no care, so its careful half is no cell. */
  isCell: (place: GridCell) => boolean;
}

export function gridOf({ space, ways }: TruthTable): TruthGrid {
  const half = space.size / (ways.length * 2);
  const columns = half * 2;
  return {
    rows: ways.length,
    columns,
    half,
    cellAt: (row, column) => row * columns + column,
    isCell: ({ row, column }) => !(itemAt(ways, row).blast && column >= half),
  };
}

interface CellsOptions {
  grid: TruthGrid;
  paint: ReturnType<typeof usePaintDrops>;
  onStage: () => void;
}
/** How cells are chosen, with the mouse and with keys. */
export interface Cells {
  chooseBetween: (one: GridCell, other: GridCell, cursor?: GridCell) => void;
  press: (event: MouseEvent, cell: number) => void;
  drag: (cell: number) => void;
  onKey: (event: KeyboardEvent) => void;
}

/** Chooses cells of the truth table and moves its cursor. */
export function useCells({ grid, paint, onStage }: CellsOptions): Cells {
  const { cursor, chosen, move } = useDropChoice();
  const { rows, columns, half, cellAt, isCell } = grid;
  const anchor = useRef(cursor);
  const placeOf = (cell: number): GridCell => ({
    row: Math.floor(cell / columns),
    column: cell % columns,
  });
  const between = (one: GridCell, other: GridCell) =>
    cellsBetween(one, other)
      .filter(isCell)
      .map(({ row, column }) => cellAt(row, column));
  const chooseBetween: Cells['chooseBetween'] = (one, other, cursorCell) =>
    move(cursorCell ? cellAt(cursorCell.row, cursorCell.column) : cursor, between(one, other));
  const upTo = (cell: number) => between(placeOf(anchor.current), placeOf(cell));

  const press = (event: MouseEvent, cell: number) => {
    if (event.shiftKey) {
      move(cell, upTo(cell));
      return;
    }
    anchor.current = cell;
    move(cell, isCommand(event) ? toggled(chosen, cell) : [cell]);
  };
  const goTo = (place: GridCell, extend: boolean) => {
    const next = cellAt(place.row, isCell(place) ? place.column : half - 1);
    if (!extend) anchor.current = next;
    move(next, extend ? upTo(next) : [next]);
  };
  const onKey = (event: KeyboardEvent) => {
    const at = placeOf(cursor);
    const next = cellAfter(event, at, { rows, columns }, pageRows);
    const [top, bottom, end] = [0, rows - 1, columns - 1];
    actOnKey(event, {
      ...(next && { move: () => goTo(next, event.shiftKey) }),
      choose: () => move(cursor, toggled(chosen, cursor)),
      chooseAll: () => chooseBetween({ row: top, column: 0 }, { row: bottom, column: end }),
      chooseNone: () => move(cursor, []),
      chooseRow: () => chooseBetween({ ...at, column: 0 }, { ...at, column: end }),
      chooseColumn: () => chooseBetween({ ...at, row: top }, { ...at, row: bottom }),
      open: () => focusSoon('#drop-brush input'),
      dropItself: paint.itself,
      dropNothing: paint.nothing,
      dropItem: paint.itemOrItself,
      middle: onStage,
    });
  };
  return { chooseBetween, press, drag: (cell) => move(cell, upTo(cell)), onKey };
}
