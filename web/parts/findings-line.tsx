import { Popover } from '@mantine/core';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Finding } from '../../core/inspect/index.ts';
import { useFindings } from '../api/hooks.tsx';
import { Mends } from './mends.tsx';
import styles from './findings-line.module.css';

/** The foot of a desk: what was found, the gravest first, with its fix, and its keys. */
export function FindingsLine({
  what,
  findings,
  to,
  children,
}: {
  /** What was inspected, in a sentence: "block". */
  what: string;
  findings: readonly Finding[];
  /** Where a finding is mended. */
  to: (finding: Finding) => string;
  /** The keys. */
  children: ReactNode;
}) {
  const inspected = useFindings() !== undefined;
  const [first, ...rest] = findings;
  return (
    <footer className={styles['foot']} aria-label="Findings">
      {first ? (
        <One finding={first} to={to} className={styles['say']} />
      ) : (
        <>
          <span className={clsx('tag', inspected ? 'good' : 'hint')}>
            {inspected ? 'Nothing wrong' : 'Inspecting'}
          </span>
          <span className="soft">{inspected ? `Every rule passes for this ${what}.` : ''}</span>
        </>
      )}
      {rest.length > 0 && (
        <Popover position="top" width={640} shadow="md" withArrow>
          <Popover.Target>
            <button type="button" className={clsx('link', styles['more'])}>
              and {rest.length} more
            </button>
          </Popover.Target>
          <Popover.Dropdown className={styles['others']}>
            <ul className={styles['findings-list']}>
              {findings.slice(0, 100).map((finding) => (
                <li key={`${finding.rule} ${finding.at} ${finding.message}`}>
                  <One finding={finding} to={to} />
                </li>
              ))}
            </ul>
          </Popover.Dropdown>
        </Popover>
      )}
      <span className={styles['keys']}>{children}</span>
    </footer>
  );
}

function One({
  finding,
  to,
  className,
}: {
  finding: Finding;
  to: (finding: Finding) => string;
  className?: string;
}) {
  return (
    <>
      <span>
        <span className={clsx('tag', finding.severity)}>{finding.severity}</span>
      </span>
      <Link className={className} to={to(finding)} title={finding.message}>
        {finding.message}
      </Link>
      <span className={styles['mends']}>
        <Mends finding={finding} />
      </span>
    </>
  );
}
