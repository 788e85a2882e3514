import { useState } from 'react';
import type { Cause } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { FindingLine } from './finding-line.tsx';
import styles from './inspection.module.css';

/** One mistake at several places: what lies at the bottom, and what hangs on it once asked. */
export function CauseLine({ cause: { words = '', findings } }: { cause: Cause }) {
  const session = useSession();
  const [isOpen, setOpen] = useState(false);
  const fixes = findings.flatMap(({ fix }) => fix ?? []);
  const titles = new Set(fixes.map(({ title }) => title));
  const [title] = titles;
  const isOneFix = fixes.length === findings.length && titles.size === 1;
  const mend = () =>
    session.edit(
      `${title} at ${count(fixes.length, 'place')}`,
      fixes.flatMap(({ changes }) => changes),
    );
  return (
    <>
      <li data-finding tabIndex={-1} className={styles['bottom']}>
        <span className={styles['says']}>
          <b>{words}</b>{' '}
          <button
            type="button"
            className={styles['silence']}
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? 'Hide' : 'Show'} the {findings.length} places
          </button>
        </span>
        {isOneFix && (
          <button type="button" className="link" data-mend onClick={mend}>
            {title} at {count(fixes.length, 'place')}
          </button>
        )}
      </li>
      {isOpen &&
        findings.map((finding) => (
          <FindingLine key={`${finding.at} ${finding.message}`} finding={finding} />
        ))}
    </>
  );
}
