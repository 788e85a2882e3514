import { useMemo, useRef, type KeyboardEvent, type MouseEvent } from 'react';
import { placeNow } from '../../../api/address.ts';
import { actOnKey, isCommand } from '../../../parts/keys/act-on-key.ts';
import { cellAfter, cellsBetween, toggled, type GridCell } from '../../../parts/grid/moves.ts';
import { useStable } from '../../../parts/use-stable.ts';
import type { Brush } from './brush.ts';
import type { CellActs } from './cell.tsx';
import type { Plane } from './layout.ts';
import { usePainting } from './painting.tsx';

/** So many rows a page key goes. */
const pageRows = 8;

interface ChoosingOptions {
  plane: Plane;
  /** The state at the cursor. */
  state: number;
  brush: Brush;
  onState: (state: number) => void;
  onStage: () => void;
}

/** How cells are chosen, with the mouse and with keys. */
export interface Choosing {
  chosen: ReadonlySet<number>;
  choose: (states: Iterable<number>) => void;
  /** Chooses all cells of some rows and columns, from and to each. */
  chooseBlock: (rows: readonly [number, number], columns: readonly [number, number]) => void;
  acts: CellActs;
  onKey: (event: KeyboardEvent) => void;
  /** The state at the cursor at this moment: keys may come faster than the page is drawn. */
  cursorState: () => number;
}

/** Chooses cells of the matrix and moves its cursor. */
export function useChoosing({ plane, state, brush, onState, onStage }: ChoosingOptions): Choosing {
  const { chosen, choose, toBrush } = usePainting();
  const anchor = useRef(state);
  const size = { rows: plane.rows.length, columns: plane.columns.length };
  const [lastRow, lastColumn] = [size.rows - 1, size.columns - 1];
  const cursorState = () => placeNow().state ?? state;
  const cellOf = (one: number): GridCell => plane.cellOf(one) ?? { row: 0, column: 0 };
  const chooseBetween = (one: GridCell, other: GridCell) =>
    choose(cellsBetween(one, other).map(({ row, column }) => plane.stateAt(row, column)));
  const chooseBlock: Choosing['chooseBlock'] = ([top, bottom], [left, right]) =>
    chooseBetween({ row: top, column: left }, { row: bottom, column: right });
  const chooseUpTo = (one: number) => chooseBetween(cellOf(anchor.current), cellOf(one));

  const press = (event: MouseEvent, one: number) => {
    onState(one);
    if (event.shiftKey) {
      chooseUpTo(one);
      return;
    }
    anchor.current = one;
    choose(isCommand(event) ? toggled(chosen, one) : [one]);
  };
  const goTo = ({ row, column }: GridCell, extend: boolean) => {
    const next = plane.stateAt(row, column);
    onState(next);
    if (extend) chooseUpTo(next);
    else {
      anchor.current = next;
      choose([next]);
    }
  };
  const onKey = (event: KeyboardEvent) => {
    const at = cellOf(cursorState());
    const next = cellAfter(event, at, size, pageRows);
    actOnKey(event, {
      ...(next && { move: () => goTo(next, event.shiftKey) }),
      choose: () => choose(toggled(chosen, cursorState())),
      chooseAll: () => chooseBlock([0, lastRow], [0, lastColumn]),
      chooseNone: () => choose([]),
      chooseRow: () => chooseBlock([at.row, at.row], [0, lastColumn]),
      chooseColumn: () => chooseBlock([0, lastRow], [at.column, at.column]),
      open: toBrush,
      clear: brush.clear,
      spread: brush.spreadFirst,
      middle: onStage,
    });
  };

  const stablePress = useStable(press);
  const drag = useStable((one: number) => {
    onState(one);
    chooseUpTo(one);
  });
  const open = useStable(toBrush);
  const acts = useMemo(
    (): CellActs => ({ press: stablePress, drag, open }),
    [stablePress, drag, open],
  );
  return { chosen, choose, chooseBlock, acts, onKey, cursorState };
}
