import { useRef, useState, type KeyboardEvent } from 'react';
import { actOnKey } from '../../../parts/keys/act-on-key.ts';
import { cellAfter, toggled } from '../../../parts/grid/moves.ts';
import { useStable } from '../../../parts/use-stable.ts';

/** So many lines a page key goes. */
const pageLines = 12;

/** The cursor in a table, and the lines that are chosen in it. */
export interface ChosenLines {
  chosen: ReadonlySet<string>;
  cursor: number;
  choose: (keys: Iterable<string>) => void;
  /** A press on a line: it is chosen too, or no longer; with Shift all up to it. */
  press: (index: number, extend: boolean) => void;
  onKey: (event: KeyboardEvent) => void;
}

/** Chooses lines by their keys, with the mouse and with keys. */
export function useChosenLines(
  keys: readonly string[],
  reveal: (index: number) => void,
): ChosenLines {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [cursor, setCursor] = useState(0);
  const anchor = useRef(0);
  const choose = (wanted: Iterable<string>) => setChosen(new Set(wanted));
  const upTo = (index: number) =>
    keys.slice(Math.min(anchor.current, index), Math.max(anchor.current, index) + 1);

  const press = (index: number, extend: boolean) => {
    const key = keys[index];
    if (key === undefined) return;
    setCursor(index);
    if (extend) choose([...chosen, ...upTo(index)]);
    else {
      anchor.current = index;
      choose(toggled(chosen, key));
    }
  };
  const goTo = (index: number, extend: boolean) => {
    setCursor(index);
    reveal(index);
    if (extend) choose(upTo(index));
    else anchor.current = index;
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const from = { row: cursor, column: 0 };
    // The table has one column for the cursor: Home and End go to its ends.
    const ends = new Map([
      ['Home', 0],
      ['End', keys.length - 1],
    ]);
    const next =
      ends.get(event.key) ??
      cellAfter(event, from, { rows: keys.length, columns: 1 }, pageLines)?.row;
    actOnKey(event, {
      ...(next !== undefined && { move: () => goTo(next, event.shiftKey) }),
      choose: () => press(cursor, false),
      chooseAll: () => choose(keys),
      chooseNone: () => choose([]),
    });
  };
  return { chosen, cursor, choose, press: useStable(press), onKey };
}
