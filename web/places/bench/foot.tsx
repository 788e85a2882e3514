import { Popover } from '@mantine/core';
import { Link } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { useFindings, useInspector, useSession, type BlockEditor } from '../../api/hooks.tsx';

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
    <footer className="foot" aria-label="Findings">
      {!first && (
        <>
          <span className={`tag ${inspected ? 'good' : 'hint'}`}>
            {inspected ? 'Nothing wrong' : 'Inspecting'}
          </span>
          <span className="soft">{inspected ? 'Every rule passes for this block.' : ''}</span>
        </>
      )}
      {first && (
        <>
          <span className={`tag ${first.severity}`}>{first.severity}</span>
          <Link className="say" to={where(first)} title={first.message}>
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
            <button type="button" className="link" style={{ marginLeft: 8 }}>
              and {rest.length} more
            </button>
          </Popover.Target>
          <Popover.Dropdown style={{ maxHeight: 340, overflow: 'auto', whiteSpace: 'normal' }}>
            <ul className="findings-list">
              {findings.slice(0, 100).map((finding) => (
                <li key={`${finding.rule} ${finding.at} ${finding.message}`}>
                  <span>
                    <span className={`tag ${finding.severity}`}>{finding.severity}</span>
                  </span>
                  <Link to={where(finding)} style={{ textDecoration: 'none' }}>
                    {finding.message}
                  </Link>
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
      <span className="keys">
        <kbd>[</kbd> <kbd>]</kbd> facet &nbsp;{' '}
        <button type="button" className="tiny" onClick={onFiles} aria-pressed={files}>
          <kbd>F</kbd> {files ? 'stage' : 'files'}
        </button>{' '}
        &nbsp; <kbd>?</kbd> keys
      </span>
    </footer>
  );
}
