import type { Finding } from '../../core/inspect/index.ts';
import { useInspector, useSession } from '../api/hooks.tsx';
import { mendPictureOf } from '../api/mend-picture.ts';
import { complain } from './complain.ts';

/** The ways to mend a finding, each a button: what is declared, or the picture itself. */
export function Mends({ finding }: { finding: Finding }) {
  const inspector = useInspector();
  const session = useSession();
  const { fix, mend } = finding;
  return (
    <>
      {fix && (
        <button type="button" className="link" data-mend onClick={() => inspector.mend(finding)}>
          {fix.title}
        </button>
      )}
      {fix && mend && <span className="soft"> or </span>}
      {mend && (
        <button
          type="button"
          className="link"
          data-mend={fix ? undefined : true}
          onClick={() => void mendPictureOf(session, mend).catch(complain)}
        >
          {mend.title}
        </button>
      )}
    </>
  );
}
