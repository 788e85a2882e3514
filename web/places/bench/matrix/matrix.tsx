import { lookUp } from '../../../../core/mod/index.ts';
import './matrix.css';
import { useElementSize, useLocalStorage, useMergedRef } from '@mantine/hooks';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  memo,
  useEffect,
  useMemo,
  useRef,
  useState,
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
} from 'react';
import { coverage, type When } from '../../../../core/states/index.ts';
import { count } from '../../../../core/words/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { Later } from '../../../parts/later.tsx';
import { Rendering } from '../../../parts/rendering.tsx';
import { WhenEditor } from '../../../parts/when-editor.tsx';
import { ArrangementBar } from './arrangement.tsx';
import { fittedArrangement, planeOf, type Arrangement } from './layout.ts';
import { usePainting } from './painting.tsx';
import { useBrush } from './brush.ts';
import { placeNow } from '../../../api/address.ts';

const band = 70;
const headHeight = 24;
/** Cells are as large as fits, within these bounds. */
const [smallest, largest] = [58, 104];

/**
 * Every state of the block as a cell that shows it: choose cells with the mouse or with keys, then
 * say what they show.
 */
export function Matrix({
  editor,
  state,
  onState,
  onStage,
}: {
  editor: BlockEditor;
  state: number;
  onState: (state: number) => void;
  onStage: () => void;
}) {
  const {
    block: { space, looks },
    name,
  } = editor;
  const [kept, setKept] = useLocalStorage<Record<string, Arrangement>>({
    key: 'obrank.matrix',
    defaultValue: {},
    getInitialValueInEffect: false,
  });
  const arrangement = useMemo(
    () => fittedArrangement(lookUp(kept, name), space),
    [kept, name, space],
  );
  const { chosen, choose, toBrush } = usePainting();
  const brush = useBrush(editor);
  const fixed = arrangement.tabs.map((tab) => space.digit(state, space.indexOf(tab))).join();
  // Only what the tabs stand for moves the plane, not every step of the cursor.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const plane = useMemo(() => planeOf(space, arrangement, state), [space, arrangement, fixed]);
  const covered = useMemo(() => coverage(looks.rows, space), [looks, space]);
  const winner = useMemo(() => {
    const rows = new Int32Array(space.size).fill(-1);
    covered.wins.forEach((won, at) =>
      won.forEach((one) => {
        rows[one] = at;
      }),
    );
    return rows;
  }, [covered, space]);
  const scroller = useRef<HTMLDivElement>(null);
  const { ref: sized, width, height } = useElementSize<HTMLDivElement>();
  const both = useMergedRef(scroller, sized);
  const top = Math.max(1, arrangement.columns.length) * headHeight + 6;
  const left = Math.max(1, arrangement.rows.length) * band + 6;
  const cell = Math.max(
    smallest,
    Math.min(
      largest,
      Math.floor((width - left - 4) / plane.columns.length),
      Math.floor((height - top - 4) / plane.rows.length),
    ),
  );
  const anchor = useRef(state);
  const down = useVirtualizer({
    count: plane.rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => cell,
    overscan: 2,
    paddingStart: top,
    scrollPaddingStart: top,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: plane.columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => cell,
    overscan: 2,
    paddingStart: left,
    scrollPaddingStart: left,
  });
  useEffect(() => {
    down.measure();
    across.measure();
    // Another size of the cells, or another arrangement, moves everything.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cell, top, left]);
  const at = plane.cellOf(state) ?? { row: 0, column: 0 };
  /** Keys may come faster than the page is drawn, so they go by the address. */
  const cursor = () => placeNow().state ?? state;
  useEffect(() => {
    if (at.row < plane.rows.length) down.scrollToIndex(at.row, { align: 'auto' });
    if (at.column < plane.columns.length) across.scrollToIndex(at.column, { align: 'auto' });
    // The cursor alone moves the view.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at.row, at.column]);

  useEffect(() => scroller.current?.focus({ preventScroll: true }), []);
  // The first rows come a few a frame, so that opening the matrix never holds the page up.
  const [laid, setLaid] = useState(0);
  useEffect(() => {
    if (laid > 40) return;
    const frame = requestAnimationFrame(() => setLaid(laid > 24 ? Infinity : laid + 2));
    return () => cancelAnimationFrame(frame);
  }, [laid]);

  /** All states between two cells. */
  const between = (
    a: { row: number; column: number },
    b: { row: number; column: number },
  ): number[] => {
    const found: number[] = [];
    for (let row = Math.min(a.row, b.row); row <= Math.max(a.row, b.row); row += 1)
      for (
        let column = Math.min(a.column, b.column);
        column <= Math.max(a.column, b.column);
        column += 1
      )
        found.push(plane.stateAt(row, column));
    return found;
  };
  const whole = (rows: [number, number], columns: [number, number]) =>
    between({ row: rows[0], column: columns[0] }, { row: rows[1], column: columns[1] });
  const lastRow = plane.rows.length - 1;
  const lastColumn = plane.columns.length - 1;
  const toggled = (one: number) =>
    chosen.has(one) ? [...chosen].filter((other) => other !== one) : [...chosen, one];
  const go = (row: number, column: number, extend: boolean) => {
    const next = plane.stateAt(
      Math.max(0, Math.min(lastRow, row)),
      Math.max(0, Math.min(lastColumn, column)),
    );
    onState(next);
    if (!extend) anchor.current = next;
    choose(extend ? between(plane.cellOf(anchor.current) ?? at, plane.cellOf(next)!) : [next]);
  };
  const click = (event: MouseEvent, one: number) => {
    onState(one);
    if (event.shiftKey) {
      choose(between(plane.cellOf(anchor.current) ?? at, plane.cellOf(one)!));
      return;
    }
    anchor.current = one;
    choose(event.ctrlKey || event.metaKey ? toggled(one) : [one]);
  };
  const onKey = (event: KeyboardEvent) => {
    const at = plane.cellOf(cursor()) ?? { row: 0, column: 0 };
    const jump = event.ctrlKey || event.metaKey;
    const moves: Record<string, () => void> = {
      ArrowUp: () => go(jump ? 0 : at.row - 1, at.column, event.shiftKey),
      ArrowDown: () => go(jump ? lastRow : at.row + 1, at.column, event.shiftKey),
      ArrowLeft: () => go(at.row, jump ? 0 : at.column - 1, event.shiftKey),
      ArrowRight: () => go(at.row, jump ? lastColumn : at.column + 1, event.shiftKey),
      Home: () => go(at.row, 0, event.shiftKey),
      End: () => go(at.row, lastColumn, event.shiftKey),
      PageUp: () => go(at.row - 8, at.column, event.shiftKey),
      PageDown: () => go(at.row + 8, at.column, event.shiftKey),
      ' ': () => choose(toggled(cursor())),
      Enter: toBrush,
      Escape: () => choose([]),
      Delete: () => brush.clear(),
      Backspace: () => brush.clear(),
    };
    const letters: Record<string, () => void> = jump
      ? { a: () => choose(whole([0, lastRow], [0, lastColumn])) }
      : {
          r: () => choose(whole([at.row, at.row], [0, lastColumn])),
          c: () => choose(whole([0, lastRow], [at.column, at.column])),
          s: () => brush.spreadFirst(),
          m: onStage,
        };
    const act = lookUp(moves, event.key) ?? lookUp(letters, event.key.toLowerCase());
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  // Cells stay as they are while the cursor passes by, so what they call goes through something
  // that stays as well.
  const latest = useRef({
    click,
    drag: (one: number) => choose(between(plane.cellOf(anchor.current) ?? at, plane.cellOf(one)!)),
    toBrush,
    onState,
  });
  latest.current = {
    click,
    drag: (one) => choose(between(plane.cellOf(anchor.current) ?? at, plane.cellOf(one)!)),
    toBrush,
    onState,
  };
  const acts = useMemo(
    (): CellActs => ({
      press: (event, one) => latest.current.click(event, one),
      open: () => latest.current.toBrush(),
      drag: (one) => {
        latest.current.onState(one);
        latest.current.drag(one);
      },
    }),
    [],
  );
  const bandEnd = (heads: typeof plane.rows, from: number, level: number) => {
    let end = from;
    while (end + 1 < heads.length && heads[end + 1]!.first[level] === heads[from]!.first[level])
      end += 1;
    return end;
  };
  const chooseWhen = (when: When | undefined) => choose(space.matching(when));
  const valueAt = (names: readonly string[], digits: readonly number[], level: number) =>
    String(space.values[space.indexOf(names[level]!)]![digits[level]!]);
  const bare = looks.mode === 'one-of' ? covered.uncovered.count : 0;
  const rowItems = down.getVirtualItems();
  const columnItems = across.getVirtualItems();
  return (
    <div className="matrix">
      <div className="matrix-head">
        <button type="button" className="chip" onClick={onStage}>
          Stage <kbd>M</kbd>
        </button>
        <Later frames={1}>
          <ArrangementBar
            space={space}
            arrangement={arrangement}
            onArrangement={(next) => setKept({ ...kept, [name]: next })}
            state={state}
            onState={onState}
          />
        </Later>
        <div className="choose-line">
          <span className="note">Choose all with</span>
          <Later frames={2}>
            <WhenEditor properties={space.properties} when={undefined} onWhen={chooseWhen} />
          </Later>
          <span className="note many" aria-live="polite">
            {chosen.size
              ? `${chosen.size.toLocaleString('en')} chosen`
              : `${count(space.size, 'state')}${bare ? `, ${bare} without a look` : ''}`}
          </span>
        </div>
      </div>
      <div
        ref={both}
        className="matrix-scroll"
        role="grid"
        tabIndex={0}
        aria-label="State matrix"
        aria-multiselectable="true"
        aria-rowcount={plane.rows.length}
        aria-colcount={plane.columns.length}
        aria-activedescendant={`cell-${state}`}
        onKeyDown={onKey}
        onFocus={() => !chosen.size && choose([cursor()])}
      >
        <div
          style={{
            width: across.getTotalSize(),
            height: down.getTotalSize(),
            position: 'relative',
          }}
        >
          <div className="column-heads" style={{ height: top - 2 }}>
            <div className="corner" style={{ width: left - 4 }}>
              {arrangement.columns.map((property, level) => (
                <i key={property} style={{ top: level * headHeight + 4 }}>
                  {property}
                </i>
              ))}
              {arrangement.rows.map((property, level) => (
                <i key={property} className="down" style={{ left: level * band, width: band - 4 }}>
                  {property}
                </i>
              ))}
            </div>
            {columnItems.map((item, i) =>
              plane.columns[item.index]!.first.map(
                (first, level) =>
                  (first === item.index || i === 0) && (
                    <Head
                      key={`${item.index} ${level}`}
                      property={arrangement.columns[level]!}
                      value={valueAt(arrangement.columns, plane.columns[item.index]!.digits, level)}
                      style={{
                        left: item.start,
                        top: level * headHeight,
                        width:
                          (bandEnd(plane.columns, item.index, level) - item.index + 1) * cell - 2,
                      }}
                      onChoose={() =>
                        choose(whole([0, lastRow], [first, bandEnd(plane.columns, first, level)]))
                      }
                    />
                  ),
              ),
            )}
          </div>
          <div className="row-heads" style={{ width: left - 4 }}>
            {rowItems.map((item, i) =>
              plane.rows[item.index]!.first.map(
                (first, level) =>
                  (first === item.index || i === 0) && (
                    <Head
                      key={`${item.index} ${level}`}
                      down
                      property={arrangement.rows[level]!}
                      value={valueAt(arrangement.rows, plane.rows[item.index]!.digits, level)}
                      style={{
                        top: item.start - top + 2,
                        left: level * band,
                        width: band - 2,
                        height:
                          (bandEnd(plane.rows, item.index, level) - item.index + 1) * cell - 2,
                      }}
                      onChoose={() =>
                        choose(whole([first, bandEnd(plane.rows, first, level)], [0, lastColumn]))
                      }
                    />
                  ),
              ),
            )}
          </div>
          {rowItems.slice(0, laid).map((row) => (
            <div key={row.index} role="row" aria-rowindex={row.index + 1}>
              {columnItems.map((column) => {
                const one = plane.stateAt(row.index, column.index);
                const bareHere = looks.mode === 'one-of' && winner[one] === -1;
                return (
                  <Cell
                    key={column.index}
                    block={name}
                    state={one}
                    words={space.describe(one)}
                    bare={bareHere}
                    by={looks.mode === 'one-of' ? winner[one]! + 1 : 0}
                    chosen={chosen.has(one)}
                    cursor={one === state}
                    left={column.start}
                    top={row.start}
                    size={cell}
                    column={column.index}
                    acts={acts}
                  />
                );
              })}
            </div>
          ))}
        </div>
      </div>
      <div className="matrix-foot note">
        <kbd>↑↓←→</kbd> move <kbd>Shift</kbd> range <kbd>R</kbd> <kbd>C</kbd> row, column{' '}
        <kbd>Ctrl A</kbd> all
        {looks.mode === 'one-of' && (
          <>
            {' '}
            <kbd>Enter</kbd> brush <kbd>S</kbd> spread <kbd>Del</kbd> clear
          </>
        )}
      </div>
    </div>
  );
}

/** The head of a row, a column or a band of them: its value, and a way to choose all under it. */
function Head({
  property,
  value,
  style,
  down,
  onChoose,
}: {
  property: string;
  value: string;
  style: CSSProperties;
  down?: boolean;
  onChoose: () => void;
}) {
  return (
    <button
      type="button"
      tabIndex={-1}
      className={`head${down ? ' down' : ''}`}
      style={style}
      onClick={onChoose}
      title={`${property} = ${value}: choose all`}
      aria-label={`Choose all with ${property} = ${value}`}
    >
      {value}
    </button>
  );
}

interface CellActs {
  press: (event: MouseEvent, state: number) => void;
  drag: (state: number) => void;
  open: () => void;
}

/**
 * One state: drawn, or hatched where no row gives it a look, with the number of the row that does.
 */
const Cell = memo(function Cell({
  block,
  state,
  words,
  bare,
  by,
  chosen,
  cursor,
  left,
  top,
  size,
  column,
  acts,
}: {
  block: string;
  state: number;
  words: string;
  bare: boolean;
  by: number;
  chosen: boolean;
  cursor: boolean;
  left: number;
  top: number;
  size: number;
  column: number;
  acts: CellActs;
}) {
  return (
    <div
      id={`cell-${state}`}
      role="gridcell"
      aria-colindex={column + 1}
      aria-selected={chosen}
      aria-label={`${words}${bare ? ', without a look' : ''}`}
      title={words}
      className={`cell${bare ? ' bare' : ''}${chosen ? ' chosen' : ''}${cursor ? ' cursor' : ''}`}
      style={{ left, top, width: size - 2, height: size - 2 }}
      onMouseDown={(event) => acts.press(event, state)}
      onMouseEnter={(event) => event.buttons === 1 && acts.drag(state)}
      onDoubleClick={acts.open}
    >
      {!bare && <Rendering block={block} state={state} size={size - 8} />}
      {by > 0 && !bare && <span className="by">{by}</span>}
    </div>
  );
});
