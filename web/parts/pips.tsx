import type { Station } from '../api/stations.ts';
import styles from './pips.module.css';

/** Readiness at a glance: one mark a facet, taller where something was found. */
export function Pips({ stations }: { stations: readonly Station[] }) {
  const wrong = stations.filter((station) => station.count > 0);
  const words = wrong.length
    ? wrong
        .map(
          (station) =>
            `${station.facet}: ${station.count} ${station.state}${station.count > 1 ? 's' : ''}`,
        )
        .join(', ')
    : 'Nothing wrong';
  return (
    <span className={styles['pips']} role="img" aria-label={words} title={words}>
      {stations.map((station) => (
        <i key={station.facet} className={styles[station.state]} />
      ))}
    </span>
  );
}
