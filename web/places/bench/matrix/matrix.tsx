import { useLocalStorage } from '@mantine/hooks';
import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import { lookUp } from '../../../../core/mod/index.ts';
import { coverage, type Coverage, type StateSpace } from '../../../../core/states/index.ts';
import { count } from '../../../../core/words/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { Later } from '../../../parts/later.tsx';
import { WhenEditor } from '../../../parts/when-editor.tsx';
import { ArrangementBar } from './arrangement.tsx';
import { useBrush } from './brush.ts';
import { Cell } from './cell.tsx';
import { ColumnHeads, RowHeads } from './heads.tsx';
import { fittedArrangement, planeOf, type Arrangement, type Plane } from './layout.ts';
import { useChoosing, type Choosing } from './use-choosing.ts';
import { useTracks, type Tracks } from './use-tracks.ts';
import { Cap } from '../../../parts/keys/cap.tsx';
import styles from './matrix.module.css';

interface MatrixProps {
  editor: BlockEditor;
  state: number;
  onState: (state: number) => void;
  onStage: () => void;
}

/**
 * Every state of the block as a cell that shows it: choose cells with the mouse or with keys, then
 * say what they show.
 */
export function Matrix({ editor, state, onState, onStage }: MatrixProps) {
  const { space, looks } = editor.block;
  const [arrangement, setArrangement] = useArrangement(editor.name, space);
  const plane = usePlane(space, arrangement, state);
  const covered = useMemo(() => coverage(looks.rows, space), [looks, space]);
  const isOneOf = looks.mode === 'one-of';
  const brush = useBrush(editor);
  const choosing = useChoosing({ plane, state, brush, onState, onStage });
  const cursor = plane.cellOf(state) ?? { row: 0, column: 0 };
  const { ref: gridRef, scroller, ...tracks } = useTracks(arrangement, plane, cursor);
  useEffect(() => scroller.current?.focus({ preventScroll: true }), [scroller]);
  return (
    <div className={styles['matrix']}>
      <div className={styles['matrix-head']}>
        <button type="button" className="chip" onClick={onStage}>
          Stage <Cap of="middle" />
        </button>
        <Later frames={1}>
          <ArrangementBar
            space={space}
            arrangement={arrangement}
            onArrangement={setArrangement}
            state={state}
            onState={onState}
          />
        </Later>
        <ChooseLine
          space={space}
          choosing={choosing}
          bare={isOneOf ? covered.uncovered.count : 0}
        />
      </div>
      <Grid
        block={editor.name}
        space={space}
        arrangement={arrangement}
        plane={plane}
        gridRef={gridRef}
        {...tracks}
        choosing={choosing}
        state={state}
        covered={isOneOf ? covered : undefined}
      />
      <Keys isOneOf={isOneOf} />
    </div>
  );
}

/** How the block's matrix is laid out, remembered for each block. */
function useArrangement(
  block: string,
  space: StateSpace,
): [Arrangement, (arrangement: Arrangement) => void] {
  const [kept, setKept] = useLocalStorage<Record<string, Arrangement>>({
    key: 'obrank.matrix',
    defaultValue: {},
    getInitialValueInEffect: false,
  });
  const arrangement = useMemo(
    () => fittedArrangement(lookUp(kept, block), space),
    [kept, block, space],
  );
  return [arrangement, (next) => setKept({ ...kept, [block]: next })];
}

/** The plane in which a state lies. Only what the tabs stand for moves it, not every step. */
function usePlane(space: StateSpace, arrangement: Arrangement, state: number): Plane {
  const fixed = arrangement.tabs.map((tab) => space.digit(state, space.indexOf(tab))).join();
  // eslint-disable-next-line react-hooks/exhaustive-deps -- every state with the same tabs is of the same plane
  return useMemo(() => planeOf(space, arrangement, state), [space, arrangement, fixed]);
}

/** Chooses states by a condition, and says how many are chosen. */
function ChooseLine({
  space,
  choosing: { chosen, choose },
  bare,
}: {
  space: StateSpace;
  choosing: Choosing;
  bare: number;
}) {
  const all = `${count(space.size, 'state')}${bare ? `, ${bare} without a look` : ''}`;
  return (
    <div className={styles['choose-line']} role="group" aria-label="Choose states">
      <span className="note">Choose all with</span>
      <Later frames={2}>
        <WhenEditor
          properties={space.properties}
          when={undefined}
          onWhen={(when) => choose(space.matching(when))}
        />
      </Later>
      <span className={clsx('note', styles['many'])} aria-live="polite">
        {chosen.size ? `${chosen.size.toLocaleString('en')} chosen` : all}
      </span>
    </div>
  );
}

interface GridProps extends Omit<Tracks, 'scroller' | 'ref'> {
  block: string;
  space: StateSpace;
  arrangement: Arrangement;
  plane: Plane;
  choosing: Choosing;
  state: number;
  /** Which row gives each state its look; undefined where several do together. */
  covered: Coverage | undefined;
}

function Grid(props: GridProps & { gridRef: Tracks['ref'] }) {
  const { gridRef, block, down, across, extent, plane, choosing, state, covered, ...rest } = props;
  const { chosen, choose, chooseBlock } = choosing;
  const [lastRow, lastColumn] = [plane.rows.length - 1, plane.columns.length - 1];
  return (
    <div
      id="state-matrix"
      ref={gridRef}
      className={styles['matrix-scroll']}
      role="grid"
      tabIndex={0}
      aria-label="State matrix"
      aria-multiselectable="true"
      aria-rowcount={plane.rows.length}
      aria-colcount={plane.columns.length}
      aria-activedescendant={`cell-${state}`}
      onKeyDown={choosing.onKey}
      onFocus={() => !chosen.size && choose([choosing.cursorState()])}
    >
      <div
        className={styles['matrix-plane']}
        style={{ width: across.getTotalSize(), height: down.getTotalSize() }}
      >
        <ColumnHeads
          {...rest}
          extent={extent}
          heads={plane.columns}
          items={across.getVirtualItems()}
          onChoose={(from, to) => chooseBlock([0, lastRow], [from, to])}
        />
        <RowHeads
          {...rest}
          extent={extent}
          heads={plane.rows}
          items={down.getVirtualItems()}
          onChoose={(from, to) => chooseBlock([from, to], [0, lastColumn])}
        />
        <Cells
          {...{ block, down, across, extent, plane, choosing, state, covered }}
          space={rest.space}
        />
      </div>
    </div>
  );
}

/** The states in sight. The first rows come a few a frame, so that opening never holds the page up. */
function Cells({
  block,
  space,
  plane,
  down,
  across,
  extent,
  choosing: { chosen, acts },
  state,
  covered,
}: Omit<GridProps, 'arrangement'>) {
  const laid = useLaidRows();
  const winner = useMemo(() => winners(covered, space.size), [covered, space]);
  return down
    .getVirtualItems()
    .slice(0, laid)
    .map((row) => (
      <div key={row.index} role="row" aria-rowindex={row.index + 1}>
        {across.getVirtualItems().map((column) => {
          const one = plane.stateAt(row.index, column.index);
          const by = winner?.[one] ?? 0;
          return (
            <Cell
              key={column.index}
              block={block}
              state={one}
              words={space.describe(one)}
              bare={by < 0}
              by={winner ? by + 1 : 0}
              chosen={chosen.has(one)}
              cursor={one === state}
              left={column.start}
              top={row.start}
              size={extent.cell}
              column={column.index}
              acts={acts}
            />
          );
        })}
      </div>
    ));
}

/** For each state the row that gives it its look, −1 where none does. */
function winners(covered: Coverage | undefined, size: number): Int32Array | undefined {
  if (!covered) return undefined;
  const rows = new Int32Array(size).fill(-1);
  covered.wins.forEach((won, row) => {
    for (const state of won) rows[state] = row;
  });
  return rows;
}

/** How many rows may be drawn by now: two more each frame, and soon all. */
function useLaidRows(): number {
  const [laid, setLaid] = useState(0);
  useEffect(() => {
    if (laid > 40) return;
    const frame = requestAnimationFrame(() => setLaid(laid > 24 ? Infinity : laid + 2));
    return () => cancelAnimationFrame(frame);
  }, [laid]);
  return laid;
}

const Keys = ({ isOneOf }: { isOneOf: boolean }) => (
  <div className={clsx('note', styles['matrix-foot'])}>
    <Cap of="move" /> move <kbd>Shift</kbd> range <Cap of="chooseRow" /> <Cap of="chooseColumn" />{' '}
    row, column <Cap of="chooseAll" /> all
    {isOneOf && (
      <>
        {' '}
        <Cap of="open" /> brush <Cap of="spread" /> spread <Cap of="clear" /> clear
      </>
    )}
  </div>
);
