import clsx from 'clsx';
import styles from '../../bars.module.css'; /** A number with two digits that count. */
export const amount = (value: number): string =>
  value >= 10 ? value.toFixed(0) : value >= 1 ? value.toFixed(1) : value.toFixed(2);

/** What is compared, and its number: undefined for never, Infinity for without end. */
export type Compared = readonly [name: string, value: number | undefined];

function inWords(value: number | undefined, unit: string): string {
  if (value === undefined) return 'never';
  return value === Infinity ? 'without end' : `${amount(value)} ${unit}`.trimEnd();
}

/** A comparison as bars: this block first, then what one knows. */
export function Comparison({
  label,
  rows,
  unit,
}: {
  label: string;
  rows: readonly Compared[];
  unit: string;
}) {
  const finite = rows.map(([, value]) => value ?? 0).filter(Number.isFinite);
  const most = Math.max(...finite, 1e-9);
  return (
    <div className={styles['bars']} role="table" aria-label={label}>
      {rows.map(([name, value = 0], row) => (
        <div key={name} role="row" className={clsx(styles['tool-bar'], styles['short'])}>
          <span role="cell">{name}</span>
          <span role="cell" className={styles['lines']}>
            <u
              className={value === Infinity ? styles['none'] : undefined}
              style={{ width: `${Math.min(1, value / most) * 100}%` }}
            />
          </span>
          <span role="cell" className="mono">
            {inWords(rows[row]?.[1], unit)}
          </span>
        </div>
      ))}
    </div>
  );
}
