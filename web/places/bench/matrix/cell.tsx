import clsx from 'clsx';
import { memo, type MouseEvent } from 'react';
import { Rendering } from '../../../parts/rendering.tsx';
import styles from './matrix.module.css';

/** What cells call: it stays the same, so that they stay as they are while the cursor passes by. */
export interface CellActs {
  press: (event: MouseEvent, state: number) => void;
  drag: (state: number) => void;
  open: () => void;
}

interface CellProps {
  block: string;
  state: number;
  words: string;
  /** No row gives it a look. */
  bare: boolean;
  /** The number of the row that gives it its look; 0 when that is none alone. */
  by: number;
  chosen: boolean;
  cursor: boolean;
  left: number;
  top: number;
  size: number;
  column: number;
  acts: CellActs;
}

/**
 * One state: drawn, or hatched where no row gives it a look, with the number of the row that does.
 */
export const Cell = memo(function Cell(props: CellProps) {
  const { block, state, words, bare, by, chosen, cursor, left, top, size, column, acts } = props;
  return (
    <div
      id={`cell-${state}`}
      role="gridcell"
      aria-colindex={column + 1}
      aria-selected={chosen}
      aria-label={`${words}${bare ? ', without a look' : ''}`}
      title={words}
      className={clsx(
        styles['cell'],
        bare && styles['bare'],
        chosen && styles['chosen'],
        cursor && styles['cursor'],
      )}
      style={{ left, top, width: size - 2, height: size - 2 }}
      onMouseDown={(event) => acts.press(event, state)}
      onMouseEnter={(event) => event.buttons === 1 && acts.drag(state)}
      onDoubleClick={acts.open}
    >
      {!bare && <Rendering block={block} state={state} size={size - 8} />}
      {by > 0 && !bare && <span className={styles['by']}>{by}</span>}
    </div>
  );
});
