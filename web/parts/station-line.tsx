import { Link, type To } from 'react-router';
import styles from './station-line.module.css';

/** One stop of a line: where it leads, how far it is, how many findings it has. */
export interface Stop {
  title: string;
  to: To;
  state: 'done' | 'open' | 'error' | 'warning';
  count?: number;
}

const words = {
  done: 'nothing wrong',
  open: 'not filled in yet',
  error: 'with errors',
  warning: 'with warnings',
};

/** The line of stations of a desk: where one is, what is done, what was found. */
export function StationLine({
  label,
  stops,
  current,
}: {
  label: string;
  stops: readonly Stop[];
  current: string;
}) {
  return (
    <nav aria-label={label}>
      <ol className={styles['stations']}>
        {stops.map(({ title, to, state, count = 0 }) => (
          <li key={title} className={styles[state]}>
            <Link
              to={to}
              aria-current={title === current ? 'step' : undefined}
              title={`${title}: ${words[state]}`}
            >
              {count > 0 && <em>{count}</em>}
              {title}
            </Link>
          </li>
        ))}
      </ol>
    </nav>
  );
}
