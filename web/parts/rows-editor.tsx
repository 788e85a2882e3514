import clsx from 'clsx';
import { itemAt, movedUp } from '../../core/lists/index.ts';
import type { ReactNode } from 'react';
import {
  BitSet,
  coverage,
  fewestRows,
  expandRows,
  type Coverage,
  type Row,
  type Rows,
  type StateSpace,
  type When,
} from '../../core/states/index.ts';
import { count, listed } from '../../core/words/index.ts';
import { useMemo } from 'react';
import { WhenEditor } from './when-editor.tsx';
import rowCardStyles from './row-card.module.css';
import styles from './rows-editor.module.css';

interface RowsProps<T> {
  /** What the rows give, as in "Row 2 of friction". */
  what: string;
  rows: Rows<T>;
  space: StateSpace;
  /**
   * Every row that matches counts, not only the first: nothing can be covered, and the order is the
   * order of drawing.
   */
  layered?: boolean;
  /** The editor of one value. `shown` is the first state that shows it. */
  value: (
    value: T,
    onValue: (value: T) => void,
    at: number,
    shown: number | undefined,
  ) => ReactNode;
  /** The value of a row that is added. */
  fresh: () => T;
  onRows: (label: string, rows: Rows<T>) => void;
  /** Nobody has said which states there are, so nothing is said of what the rows cover. */
  unknown?: boolean;
  /** The value beside the condition, for values as small as a number. */
  inline?: boolean;
}

/** More rows than this are not laid out at once. */
const mostRows = 120;
/** Up to so many states the fewest rows are looked for while one types. */
const mostSearched = 4096;

/** What was found out about the rows. */
interface Facts<T> {
  /** The states that show each row. */
  statesOf: (row: number) => BitSet;
  /** The rows that never match, with those that cover them. */
  dead: Coverage['dead'];
  uncovered: BitSet;
  fewest: ReturnType<typeof fewestRows<T>> | undefined;
}

function useFacts<T>({ rows, space, layered, unknown }: RowsProps<T>): Facts<T> {
  return useMemo(() => {
    const { wins, dead, uncovered } = coverage(rows, space);
    return {
      statesOf: (row) => (layered ? space.matching(rows[row]?.when) : itemAt(wins, row)),
      dead: layered || unknown ? [] : dead,
      uncovered: layered || unknown ? new BitSet(space.size) : uncovered,
      fewest:
        layered || unknown || space.size > mostSearched
          ? undefined
          : fewestRows(expandRows(rows, space), space, rows),
    };
  }, [rows, space, layered, unknown]);
}

/**
 * The editor of every value by state: rows in order, for each the states that it asks for and its
 * value. Rows that never match are struck through with the rows that cover them; where fewer rows
 * say the same, it offers them.
 */
export function RowsEditor<T>(props: RowsProps<T>) {
  const { what, rows } = props;
  const facts = useFacts(props);
  const left = rows.length - mostRows;
  const { uncovered } = facts;
  return (
    <div role="group" aria-label={`Rows of ${what}`}>
      {rows.slice(0, mostRows).map((row, index) => (
        <RowCard key={index} {...props} row={row} index={index} facts={facts} />
      ))}
      {left > 0 && (
        <p className="note">
          {count(left, 'more row')} below, not shown. Paint the matrix to change them.
        </p>
      )}
      <RowsFoot {...props} facts={facts} />
      {!uncovered.isEmpty && (
        <p className="bad">
          {count(uncovered.count, 'state')} {uncovered.count === 1 ? 'has' : 'have'} no value.
        </p>
      )}
    </div>
  );
}

interface RowProps<T> extends RowsProps<T> {
  row: Row<T>;
  index: number;
  facts: Facts<T>;
}

function RowCard<T>(props: RowProps<T>) {
  const { what, rows, value, onRows, inline, row, index, facts } = props;
  const dead = facts.dead.find((one) => one.row === index);
  const states = facts.statesOf(index);
  const editor = value(
    row.value,
    (next) =>
      onRows(`Change row ${index + 1} of ${what}`, rows.with(index, { ...row, value: next })),
    index,
    states.first,
  );
  return (
    <div
      className={clsx(
        rowCardStyles['row-card'],
        dead && rowCardStyles['dead'],
        inline && rowCardStyles['inline'],
      )}
      role="group"
      aria-label={`Row ${index + 1}`}
    >
      <div className={rowCardStyles['head']}>
        <span className="mono">{index + 1}</span>
        <RowCondition {...props} />
        {inline && editor}
        <RowActs {...props} />
      </div>
      {!inline && editor}
      <div className={clsx('note', rowCardStyles['foot-note'])}>
        {dead ? (
          <b className={rowCardStyles['never']}>never matches: {whyDead(dead.coveredBy)}</b>
        ) : (
          !props.unknown && count(states.count, 'state')
        )}
      </div>
    </div>
  );
}

function whyDead(coveredBy: readonly number[]): string {
  const rows = listed(coveredBy.map((row) => String(row + 1)));
  if (!coveredBy.length) return 'no state is like that';
  return coveredBy.length > 1 ? `rows ${rows} cover it` : `row ${rows} covers it`;
}

/** The states that a row asks for; the last one without a condition is for all others. */
function RowCondition<T>(props: RowProps<T>) {
  const { what, rows, space, layered, unknown, onRows, row, index } = props;
  const put = (when: When | undefined) =>
    onRows(
      `Change row ${index + 1} of ${what}`,
      rows.with(index, when ? { when, value: row.value } : { value: row.value }),
    );
  const isLast = index > 0 && index === rows.length - 1 && !row.when && !layered;
  if (unknown && !row.when)
    return <span className={rowCardStyles['else']}>in {isLast ? 'all other' : 'all'} states</span>;
  if (!isLast) return <WhenEditor properties={space.properties} when={row.when} onWhen={put} />;
  return (
    <span className={rowCardStyles['else']}>
      in all other states{' '}
      <button type="button" className="tiny" onClick={() => put(firstWhen(space))}>
        narrow
      </button>
    </span>
  );
}

function RowActs<T>({ what, rows, inline, fresh, onRows, index }: RowProps<T>) {
  // A value as small as a number is never without any row.
  const rest = inline && rows.length === 1 ? [{ value: fresh() }] : rows.toSpliced(index, 1);
  return (
    <>
      <button
        type="button"
        className="tiny"
        disabled={index === 0}
        aria-label={`Move row ${index + 1} up`}
        title="Move up"
        onClick={() => onRows(`Reorder the rows of ${what}`, movedUp(rows, index))}
      >
        ↑
      </button>
      <button
        type="button"
        className="tiny"
        aria-label={inline ? `Remove row ${index + 1} of ${what}` : `Remove row ${index + 1}`}
        title="Remove"
        onClick={() => onRows(`Remove row ${index + 1} of ${what}`, rest)}
      >
        ×
      </button>
    </>
  );
}

/** A way to add a row, and to say the same in fewer where that can be done. */
function RowsFoot<T>({
  what,
  rows,
  space,
  inline,
  fresh,
  onRows,
  facts,
}: RowsProps<T> & {
  facts: Facts<T>;
}) {
  const { fewest } = facts;
  const withOneMore = () =>
    inline ? [{ when: firstWhen(space), value: fresh() }, ...rows] : [...rows, { value: fresh() }];
  return (
    <div className={styles['rows-foot']}>
      <button
        type="button"
        className="link"
        onClick={() => onRows(`Add a row to ${what}`, withOneMore())}
      >
        Add a row
      </button>
      {fewest && fewest.rows.length < rows.length && (
        <button
          type="button"
          className="link"
          onClick={() => onRows(`Say ${what} in the fewest rows`, fewest.rows)}
        >
          Say it in {count(fewest.rows.length, 'row')}
        </button>
      )}
      {fewest && fewest.rows.length >= rows.length && rows.length > 1 && (
        <span className="note">
          {fewest.exact
            ? `${rows.length} rows, and no fewer would do`
            : `${rows.length} rows; no list has fewer than ${fewest.atLeast}`}
        </span>
      )}
    </div>
  );
}

/**
 * The condition that a row most likely asks for: the first toggle being true, else the first
 * property's default.
 */
export function firstWhen(space: StateSpace): When {
  const property = space.properties.find((one) => one.kind === 'toggle') ?? space.properties[0];
  return property ? { [property.name]: property.kind === 'toggle' ? true : property.default } : {};
}
