import clsx from 'clsx';
import type { Finding } from '../../../core/inspect/index.ts';
import { Mends } from '../../parts/mends.tsx';
import styles from './found.module.css';

/** Findings that belong to what is shown, each with its fix. */
export function Found({ findings }: { findings: readonly Finding[] }) {
  if (!findings.length) return null;
  return (
    <ul className={styles['found-list']} aria-label="Findings">
      {findings.map((finding, i) => (
        <li key={i}>
          <span className={clsx('tag', finding.severity)}>{finding.severity}</span>
          <span className={styles['message']}>{finding.message}</span>
          <Mends finding={finding} />
        </li>
      ))}
    </ul>
  );
}
