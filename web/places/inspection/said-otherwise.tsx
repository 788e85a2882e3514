import clsx from 'clsx';
import { changeGravity, tellAgain } from '../../../core/inspect/index.ts';
import { useModPart, useSession } from '../../api/hooks.tsx';
import styles from './inspection.module.css';

/** What the mod is silent about, and which rules count otherwise in it, each with its reason. */
export function SaidOtherwise() {
  const session = useSession();
  const said = useModPart((mod) => mod.header.inspection);
  if (!said) return null;
  const { rules = {}, silenced = [] } = said;
  return (
    <section className={clsx(styles['cause'], styles['otherwise'])} aria-label="Told otherwise">
      <header>
        <h2>Told otherwise in this mod</h2>
      </header>
      <p className="note">Each with the reason that somebody gave. It is kept in the mod.</p>
      <ul>
        {Object.entries(rules).map(([rule, { gravity, why }]) => (
          <li key={rule}>
            <span>
              <span className={clsx('tag', gravity === 'off' ? styles['off'] : gravity)}>
                {gravity}
              </span>
            </span>
            <span className={styles['says']}>
              <span className="mono">{rule}</span>
              <span className={clsx('note', styles['why'])}>{why}</span>
            </span>
            <button
              type="button"
              className="link"
              onClick={() =>
                session.edit(
                  `Let ${rule} count again`,
                  changeGravity(session.view.mod, rule, undefined),
                )
              }
            >
              Let it count again
            </button>
          </li>
        ))}
        {silenced.map(({ rule, message, why }, i) => (
          <li key={`${rule} ${message}`}>
            <span>
              <span className={clsx('tag', styles['off'])}>silent</span>
            </span>
            <span className={styles['says']}>
              {message}
              <span className={clsx('note', styles['why'])}>{why}</span>
            </span>
            <button
              type="button"
              className="link"
              onClick={() => session.edit(`Tell of ${rule} again`, tellAgain(session.view.mod, i))}
            >
              Tell it again
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
