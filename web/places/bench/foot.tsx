import { Popover } from '@mantine/core';
import clsx from 'clsx';
import { Link } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { useFindings, useInspector, useSession, type BlockEditor } from '../../api/hooks.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import styles from './foot.module.css';

/** What was found about the block, the gravest first, with its fix. */
export function Foot({
  editor,
  files,
  onFiles,
}: {
  editor: BlockEditor;
  files: boolean;
  onFiles: () => void;
}) {
  const session = useSession();
  const inspector = useInspector();
  const inspected = useFindings() !== undefined;
  const { findings } = editor;
  const where = (finding: Finding) =>
    `/m/${session.name}/blocks/${editor.name}/${finding.facet.toLowerCase()}`;
  const [first, ...rest] = findings;
  return (
    <footer className={styles['foot']} aria-label="Findings">
      {!first && (
        <>
          <span className={clsx('tag', inspected ? 'good' : 'hint')}>
            {inspected ? 'Nothing wrong' : 'Inspecting'}
          </span>
          <span className="soft">{inspected ? 'Every rule passes for this block.' : ''}</span>
        </>
      )}
      {first && (
        <>
          <span className={clsx('tag', first.severity)}>{first.severity}</span>
          <Link className={styles['say']} to={where(first)} title={first.message}>
            {first.message}
          </Link>
          {first.fix && (
            <button type="button" className="link" onClick={() => inspector.mend(first)}>
              {first.fix.title}
            </button>
          )}
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
                  <span>
                    <span className={clsx('tag', finding.severity)}>{finding.severity}</span>
                  </span>
                  <Link to={where(finding)}>{finding.message}</Link>
                  {finding.fix ? (
                    <button type="button" className="link" onClick={() => inspector.mend(finding)}>
                      {finding.fix.title}
                    </button>
                  ) : (
                    <span />
                  )}
                </li>
              ))}
            </ul>
          </Popover.Dropdown>
        </Popover>
      )}
      <span className={styles['keys']}>
        <Cap of="previousFacet" /> <Cap of="nextFacet" /> facet &nbsp;{' '}
        <button type="button" className="tiny" onClick={onFiles} aria-pressed={files}>
          <Cap of="files" /> {files ? 'stage' : 'files'}
        </button>{' '}
        &nbsp; <Cap of="keys" /> keys
      </span>
    </footer>
  );
}
