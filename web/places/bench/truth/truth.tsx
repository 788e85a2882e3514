import clsx from 'clsx';
import { useEffect, useMemo, useRef } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import type { TruthTable } from '../../../../core/loot/index.ts';
import { count } from '../../../../core/words/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { Cell } from './cell.tsx';
import { useDropChoice } from './choice.tsx';
import { usePaintDrops } from './paint.ts';
import { gridOf, useCells, type Cells, type TruthGrid } from './use-cells.ts';
import { Cap } from '../../../parts/keys/cap.tsx';
import styles from './truth.module.css';
import matrixStyles from '../matrix/matrix.module.css';

/** With more columns than this the cells say less. */
const mostWide = 6;

/**
 * What would drop: every way of breaking the block by every state that makes a difference, each
 * cell what comes of it.
 */
export function Truth({ editor, onStage }: { editor: BlockEditor; onStage: () => void }) {
  const { truth } = useDropChoice();
  const paint = usePaintDrops(editor);
  const grid = useMemo(() => gridOf(truth), [truth]);
  const cells = useCells({ grid, paint, onStage });
  return (
    <div className={styles['truth']}>
      <Head editor={editor} onStage={onStage} />
      <Table block={editor.block.id} truth={truth} grid={grid} cells={cells} />
      <div className={clsx('note', matrixStyles['matrix-foot'])}>
        <Cap of="move" /> move <Cap of="choose" /> choose <kbd>Shift</kbd> range{' '}
        <Cap of="chooseRow" /> <Cap of="chooseColumn" /> row, column <Cap of="open" /> item{' '}
        <Cap of="dropItself" /> itself <Cap of="dropNothing" /> nothing
      </div>
    </div>
  );
}

function Head({ editor, onStage }: { editor: BlockEditor; onStage: () => void }) {
  const { chosen, luck, setLuck } = useDropChoice();
  return (
    <div className={clsx(matrixStyles['matrix-head'], styles['matrix-head'])}>
      <button type="button" className="chip" onClick={onStage}>
        Stage <Cap of="middle" />
      </button>
      <b>What would drop?</b>
      <label className={clsx('note', styles['luck'])}>
        luck{' '}
        <input
          type="number"
          min={0}
          max={10}
          value={luck}
          aria-label="Luck of the player"
          onChange={(event) =>
            setLuck(Math.max(0, Math.min(10, Math.round(Number(event.currentTarget.value) || 0))))
          }
        />
      </label>
      <span className={clsx('note', styles['many'])} aria-live="polite">
        {chosen.size ? `${count(chosen.size, 'cell')} chosen` : 'exact, on average'}
      </span>
      <MoreColumns editor={editor} />
    </div>
  );
}

/** Properties by which the columns could be told apart although the loot does not ask for them. */
function MoreColumns({ editor }: { editor: BlockEditor }) {
  const { truth, named, show, move } = useDropChoice();
  const shown = truth.properties.map(({ name }) => name);
  const others = editor.block.space.properties
    .map(({ name }) => name)
    .filter((name) => !shown.includes(name));
  const offered = [...others, ...shown.filter((name) => named.includes(name))];
  if (!offered.length) return null;
  const toggle = (name: string) => {
    show(named.includes(name) ? named.filter((one) => one !== name) : [...named, name]);
    move(0, []);
  };
  return (
    <span className={clsx('note', styles['split'])}>
      columns also by{' '}
      {offered.map((name) => (
        <button
          key={name}
          type="button"
          className="chip"
          aria-pressed={named.includes(name)}
          onClick={() => toggle(name)}
        >
          {name}
        </button>
      ))}
    </span>
  );
}

interface TableProps {
  /** The id of the block, which is said to be itself where it drops. */
  block: string;
  truth: TruthTable;
  grid: TruthGrid;
  cells: Cells;
}

function Table(props: TableProps) {
  const { truth, grid, cells } = props;
  const { cursor } = useDropChoice();
  const element = useRef<HTMLDivElement>(null);
  useEffect(() => element.current?.focus({ preventScroll: true }), []);
  const least = grid.columns > mostWide ? 58 : 86;
  return (
    <div className={styles['truth-scroll']}>
      <div
        className={styles['truth-grid']}
        id="drops"
        ref={element}
        role="grid"
        tabIndex={0}
        aria-label="What would drop"
        aria-multiselectable="true"
        aria-rowcount={grid.rows}
        aria-colcount={grid.columns}
        aria-activedescendant={`drop-${cursor}`}
        onKeyDown={cells.onKey}
        style={{ gridTemplateColumns: `110px repeat(${grid.columns}, minmax(${least}px, 220px))` }}
      >
        <span />
        {['usually', 'careful'].map((care) => (
          <span key={care} className={styles['care']} style={{ gridColumn: `span ${grid.half}` }}>
            {care}
          </span>
        ))}
        {grid.half > 1 && <ColumnHeads {...props} />}
        {truth.ways.map((way, row) => (
          <Way key={way.name} {...props} row={row} />
        ))}
      </div>
    </div>
  );
}

/** The values of a column, after the way of breaking and the care. */
const valuesOf = ({ space, properties }: TruthTable, column: number): string[] =>
  properties.map((_, p) => String(itemAt(itemAt(space.values, p + 2), space.digit(column, p + 2))));

const columnWords = (truth: TruthTable, column: number): string =>
  truth.properties.map(({ name }, p) => `${name} = ${valuesOf(truth, column)[p]}`).join(', ');

function ColumnHeads({ truth, grid, cells }: TableProps) {
  const last = grid.rows - 1;
  return (
    <>
      <span className={styles['by']}>{truth.properties.map(({ name }) => name).join(', ')}</span>
      {Array.from({ length: grid.columns }, (_, column) => (
        <button
          key={column}
          type="button"
          tabIndex={-1}
          className={styles['head']}
          title={`Choose all with ${columnWords(truth, column)}`}
          onClick={() => {
            const top = { row: 0, column };
            cells.chooseBetween(top, { row: last, column }, top);
          }}
        >
          {valuesOf(truth, column).join(', ')}
        </button>
      ))}
    </>
  );
}

/** One way of breaking: what drops in each column. */
function Way({ block, truth, grid, cells, row }: TableProps & { row: number }) {
  const { cursor, chosen } = useDropChoice();
  const { name } = itemAt(truth.ways, row);
  const start = { row, column: 0 };
  const wordsFor = (column: number) =>
    [
      name,
      ...(column >= grid.half ? ['careful'] : []),
      ...(grid.half > 1 ? [columnWords(truth, column)] : []),
    ].join(', ');
  return (
    <div role="row" aria-rowindex={row + 1} className={styles['way']}>
      <span role="rowheader" className={styles['way-head']}>
        <button
          type="button"
          tabIndex={-1}
          className={styles['head']}
          title={`Choose all with ${name}`}
          onClick={() => cells.chooseBetween(start, { row, column: grid.columns - 1 }, start)}
        >
          {name}
        </button>
      </span>
      {Array.from({ length: grid.columns }, (_, column) => {
        // What a blast leaves stands once, under "usually".
        if (!grid.isCell({ row, column }))
          return (
            <span key={column} className={styles['no-care']} aria-hidden>
              {column === grid.half ? 'a blast is never careful' : ''}
            </span>
          );
        const cell = grid.cellAt(row, column);
        return (
          <Cell
            key={column}
            cell={cell}
            broken={itemAt(truth.cells, cell)}
            words={wordsFor(column)}
            own={block}
            chosen={chosen.has(cell)}
            cursor={cell === cursor}
            tight={grid.columns > mostWide}
            onPress={cells.press}
            onDrag={cells.drag}
          />
        );
      })}
    </div>
  );
}
