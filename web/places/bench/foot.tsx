import type { Finding } from '../../../core/inspect/index.ts';
import { benchPath } from '../../api/address.ts';
import { useSession, type BlockEditor } from '../../api/hooks.tsx';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Cap } from '../../parts/keys/cap.tsx';

/** What was found about the block, and the keys of the bench. */
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
  const where = (finding: Finding) => `/m/${session.name}/${benchPath(editor.name, finding.facet)}`;
  return (
    <FindingsLine what="block" findings={editor.findings} to={where}>
      <Cap of="previousFacet" /> <Cap of="nextFacet" /> facet &nbsp;{' '}
      <button type="button" className="tiny" onClick={onFiles} aria-pressed={files}>
        <Cap of="files" /> {files ? 'stage' : 'files'}
      </button>{' '}
      &nbsp; <Cap of="keys" /> keys
    </FindingsLine>
  );
}
