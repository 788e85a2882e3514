import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { messageOf } from '../../core/words/index.ts';
import { lookUp, titleOf } from '../../core/mod/index.ts';
import { useMod, useSession } from '../api/hooks.tsx';
import { pastIn, useBringBack, type Past } from '../api/past.ts';
import styles from './past-band.module.css';

/** Says that this is the mod as it was, and leads back; a block that is open can be brought along. */
export function PastBand() {
  const session = useSession();
  const past = pastIn(session.name);
  return past ? <Band past={past} /> : null;
}

function Band({ past }: { past: Past }) {
  const mod = useMod();
  const { pathname } = useLocation();
  const [, name = ''] = /\/blocks\/([^/]+)/.exec(pathname) ?? [];
  const block = lookUp(mod.blocks, name);
  return (
    <aside className={styles['band']} aria-label="The mod as it was">
      <span className={styles['says']}>
        The mod as it was at revision <span className="mono">{past.revision}</span>. You can look at
        everything; nothing can be changed here.
      </span>
      {block && <BringBack past={past} block={name} title={titleOf(mod, name, block.names)} />}
      <Link className={`link ${styles['back']}`} to={`/m/${past.mod}/home`}>
        Back to now
      </Link>
    </aside>
  );
}

function BringBack({ past, block, title }: { past: Past; block: string; title: string }) {
  const bringBack = useBringBack(past);
  const [problem, setProblem] = useState<string>();
  const bring = () => bringBack(block).catch((error: unknown) => setProblem(messageOf(error)));
  return (
    <>
      <button type="button" className="link" onClick={() => void bring()}>
        Bring {title} back as it is here
      </button>
      {problem !== undefined && (
        <span role="alert" className={styles['wrong']}>
          {problem}
        </span>
      )}
    </>
  );
}
