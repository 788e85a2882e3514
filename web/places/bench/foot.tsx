import type { Facet, Finding } from '../../../core/inspect/index.ts';
import { benchPath } from '../../api/address.ts';
import { useSession, type BlockEditor } from '../../api/hooks.tsx';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Cap } from '../../parts/keys/cap.tsx';

/** What was found about the block, and the keys of the bench. */
export function Foot({
  editor,
  facet,
  files,
  onFiles,
}: {
  editor: BlockEditor;
  facet: Facet;
  files: boolean;
  onFiles: () => void;
}) {
  const session = useSession();
  // What belongs to the open facet is said first; in each part the gravest leads.
  const [here, elsewhere] = [true, false].map((isHere) =>
    editor.findings.filter((finding) => (finding.facet === facet) === isHere),
  );
  const where = (finding: Finding) => `/m/${session.name}/${benchPath(editor.name, finding.facet)}`;
  return (
    <FindingsLine what="block" findings={[...(here ?? []), ...(elsewhere ?? [])]} to={where}>
      <Cap of="previousFacet" /> <Cap of="nextFacet" /> facet &nbsp;{' '}
      <button type="button" className="tiny" onClick={onFiles} aria-pressed={files}>
        <Cap of="files" /> {files ? 'stage' : 'files'}
      </button>{' '}
      &nbsp; <Cap of="keys" /> keys
    </FindingsLine>
  );
}
