import { useRef, useState, type KeyboardEvent } from 'react';
import { actOnKey, isCommand } from '../../../parts/keys/act-on-key.ts';
import { cellAfter, toggled, type GridCell } from '../../../parts/grid/moves.ts';
import { useStable } from '../../../parts/use-stable.ts';

/** So many lines a page key goes. */
const pageLines = 12;

/** The cursor in a table, and the lines that are chosen in it. */
export interface ChosenLines {
  chosen: ReadonlySet<string>;
  cursor: GridCell;
  choose: (keys: Iterable<string>) => void;
  /** Puts the cursor on a cell. */
  goTo: (cell: GridCell) => void;
  /** A press on a cell: its line is chosen too, or no longer; with Shift all up to it. */
  press: (cell: GridCell, extend: boolean) => void;
  onKey: (event: KeyboardEvent) => void;
}

interface ChosenLinesOptions {
  keys: readonly string[];
  columns: number;
  reveal: (index: number) => void;
  /** Begins to edit the cell under the cursor, with what was typed. */
  onEdit: (cell: GridCell, typed?: string) => void;
}

/** Chooses lines by their keys, with the mouse and with keys, and goes from cell to cell. */
export function useChosenLines(options: ChosenLinesOptions): ChosenLines {
  const { keys, columns, reveal, onEdit } = options;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [cursor, setCursor] = useState<GridCell>({ row: 0, column: 0 });
  const anchor = useRef(0);
  const choose = (wanted: Iterable<string>) => setChosen(new Set(wanted));
  const upTo = (index: number) =>
    keys.slice(Math.min(anchor.current, index), Math.max(anchor.current, index) + 1);

  const press = (cell: GridCell, extend: boolean) => {
    const key = keys[cell.row];
    if (key === undefined) return;
    setCursor(cell);
    if (extend) choose([...chosen, ...upTo(cell.row)]);
    else {
      anchor.current = cell.row;
      choose(toggled(chosen, key));
    }
  };
  const walkTo = (cell: GridCell, extend: boolean) => {
    setCursor(cell);
    reveal(cell.row);
    if (extend) choose(upTo(cell.row));
    else anchor.current = cell.row;
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const next = cellAfter(event, cursor, { rows: keys.length, columns }, pageLines);
    // Letters and digits begin a value; the others are keys of the page.
    const isTyped = /^[\p{L}\d.,+#-]$/u.test(event.key) && !isCommand(event) && !event.altKey;
    if (isTyped) {
      event.preventDefault();
      event.stopPropagation();
      onEdit(cursor, event.key);
      return;
    }
    actOnKey(event, {
      ...(next && { move: () => walkTo(next, event.shiftKey) }),
      choose: () => press(cursor, false),
      chooseAll: () => choose(keys),
      chooseNone: () => choose([]),
      open: () => onEdit(cursor),
      editCell: () => onEdit(cursor),
    });
  };
  const goTo = (cell: GridCell) => walkTo(cell, false);
  return { chosen, cursor, choose, goTo, press: useStable(press), onKey };
}
