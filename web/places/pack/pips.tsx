import clsx from 'clsx';
import { severities, tally, type Finding } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import styles from './pack.module.css';

/** How many findings there are of each severity, the gravest first. */
export function Pips({ findings }: { findings: readonly Finding[] }) {
  const sums = tally(findings);
  const told = severities.filter((severity) => sums[severity] > 0);
  return (
    <span
      className={styles['pips']}
      aria-label={told.map((severity) => count(sums[severity], severity)).join(', ')}
    >
      {told.map((severity) => (
        <span key={severity} className={clsx(styles['pip'], styles[severity])}>
          {sums[severity]}
        </span>
      ))}
    </span>
  );
}
