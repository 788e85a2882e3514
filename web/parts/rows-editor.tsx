import { itemAt } from '../../core/lists/index.ts';
import type { ReactNode } from 'react';
import {
  coverage,
  fewestRows,
  expandRows,
  type Rows,
  type StateSpace,
  type When,
} from '../../core/states/index.ts';
import { count, listed } from '../../core/words/index.ts';
import { useMemo } from 'react';
import { WhenEditor } from './when-editor.tsx';

interface Props<T> {
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
  /** The value beside the condition, for values as small as a number. */
  inline?: boolean;
}

/** More rows than this are not laid out at once. */
const most = 120;

/**
 * The editor of every value by state: rows in order, for each the states that it asks for and its
 * value. Rows that never match are struck through with the rows that cover them; where fewer rows
 * say the same, it offers them.
 */
export function RowsEditor<T>({
  what,
  rows,
  space,
  layered,
  value,
  fresh,
  onRows,
  inline,
}: Props<T>) {
  const { wins, dead, uncovered } = useMemo(() => coverage(rows, space), [rows, space]);
  const fewest = useMemo(
    () =>
      layered || space.size > 4096 ? undefined : fewestRows(expandRows(rows, space), space, rows),
    [layered, rows, space],
  );
  const change = (i: number, row: { when?: When; value: T }) =>
    onRows(`Change row ${i + 1} of ${what}`, rows.with(i, row));
  return (
    <div className="rows" role="group" aria-label={`Rows of ${what}`}>
      {rows.slice(0, most).map((row, i) => {
        const gone = layered ? undefined : dead.find((one) => one.row === i);
        const states = layered ? space.matching(row.when) : itemAt(wins, i);
        const last = i > 0 && i === rows.length - 1 && !row.when && !layered;
        const editor = value(
          row.value,
          (next) => change(i, { ...row, value: next }),
          i,
          states.first,
        );
        return (
          <div
            key={i}
            className={`row-card${gone ? ' dead' : ''}${inline ? ' inline' : ''}`}
            role="group"
            aria-label={`Row ${i + 1}`}
          >
            <div className="head">
              <span className="mono">{i + 1}</span>
              {last ? (
                <span className="else">
                  in all other states{' '}
                  <button
                    type="button"
                    className="tiny"
                    onClick={() => change(i, { when: firstWhen(space), value: row.value })}
                  >
                    narrow
                  </button>
                </span>
              ) : (
                <WhenEditor
                  properties={space.properties}
                  when={row.when}
                  onWhen={(when) =>
                    change(i, when ? { when, value: row.value } : { value: row.value })
                  }
                />
              )}
              {inline && editor}
              <button
                type="button"
                className="tiny"
                disabled={i === 0}
                aria-label={`Move row ${i + 1} up`}
                title="Move up"
                onClick={() =>
                  onRows(
                    `Reorder the rows of ${what}`,
                    rows.with(i, itemAt(rows, i - 1)).with(i - 1, row),
                  )
                }
              >
                ↑
              </button>
              <button
                type="button"
                className="tiny"
                aria-label={inline ? `Remove row ${i + 1} of ${what}` : `Remove row ${i + 1}`}
                title="Remove"
                onClick={() =>
                  onRows(
                    `Remove row ${i + 1} of ${what}`,
                    inline && rows.length === 1
                      ? [{ value: fresh() }]
                      : rows.filter((_, at) => at !== i),
                  )
                }
              >
                ×
              </button>
            </div>
            {!inline && editor}
            <div className="note foot-note">
              {gone ? (
                <b className="never">
                  never matches:{' '}
                  {gone.coveredBy.length
                    ? `${gone.coveredBy.length > 1 ? 'rows' : 'row'} ` +
                      `${listed(gone.coveredBy.map((at) => String(at + 1)))} ` +
                      `cover${gone.coveredBy.length > 1 ? '' : 's'} it`
                    : 'no state is like that'}
                </b>
              ) : (
                count(states.count, 'state')
              )}
            </div>
          </div>
        );
      })}
      {rows.length > most && (
        <p className="note">
          {count(rows.length - most, 'more row')} below, not shown. Paint the matrix to change them.
        </p>
      )}
      <div className="rows-foot">
        <button
          type="button"
          className="link"
          onClick={() =>
            onRows(
              `Add a row to ${what}`,
              inline
                ? [{ when: firstWhen(space), value: fresh() }, ...rows]
                : [...rows, { value: fresh() }],
            )
          }
        >
          Add a row
        </button>
        {fewest &&
          (fewest.rows.length < rows.length ? (
            <button
              type="button"
              className="link"
              onClick={() => onRows(`Say ${what} in the fewest rows`, fewest.rows)}
            >
              Say it in {count(fewest.rows.length, 'row')}
            </button>
          ) : (
            <span className="note">
              {rows.length < 2
                ? ''
                : fewest.exact
                  ? `${rows.length} rows, and no fewer would do`
                  : `${rows.length} rows; no list has fewer than ${fewest.atLeast}`}
            </span>
          ))}
      </div>
      {!layered && !uncovered.isEmpty && (
        <p className="bad">
          {count(uncovered.count, 'state')} {uncovered.count === 1 ? 'has' : 'have'} no value.
        </p>
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
