import clsx from 'clsx';
import { rules, tally, type Finding } from '../../../../core/inspect/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useSession, useView } from '../../../api/hooks.tsx';
import type { WayProps } from './take-over.tsx';
import { useAsked } from './use-asked.ts';
import styles from './take-over.module.css';

/** The open mod and the open pack side by side: what they do to each other when both are loaded. */
export function Beside({ parts, revision, ways }: WayProps) {
  const { mod, revision: modRevision } = useView();
  const { answer, problem } = useAsked(
    'beside',
    { target: mod },
    `${revision} ${mod.header.namespace} ${modRevision}`,
  );
  const found = answer ?? [];
  const { error, warning } = tally(found);
  return (
    <>
      <div className={styles['left']}>
        {ways}
        <p className="note">
          A game loads {mod.header.title} and {parts.title} together. Here stands what neither shows
          alone: things of the other that are not there, ids and numbers that both claim, recipes
          that take the same, new looks that miss a state.
        </p>
      </div>
      <div className={styles['middle']}>
        {answer && !found.length && (
          <>
            <h2>They get on</h2>
            <p className="note">
              Every rule about neighbours was asked. Nothing that {mod.header.title} names of{' '}
              {parts.namespace} is missing, and nothing is claimed twice.
            </p>
          </>
        )}
        {[...new Set(found.map(({ rule }) => rule))].map((rule) => (
          <OfRule key={rule} rule={rule} found={found.filter((one) => one.rule === rule)} />
        ))}
      </div>
      <aside className={styles['right']} aria-label="Beside each other">
        <h2>
          {count(error, 'error')}, {count(warning, 'warning')}
        </h2>
        <p className="note">
          A fix here changes {mod.header.title}; the pack is only read. Each is one step, which can
          be undone there.
        </p>
        <p role="status" className={problem ? styles['problem'] : 'note'}>
          {problem ?? (answer ? '' : 'Reading it…')}
        </p>
      </aside>
    </>
  );
}

function OfRule({ rule, found }: { rule: string; found: readonly Finding[] }) {
  const session = useSession();
  const facts = rules.find(({ id }) => id === rule);
  return (
    <section className={styles['kind']} aria-label={facts?.title}>
      <h2>{facts?.title}</h2>
      <p className="note">{facts?.why}</p>
      <ul className={styles['findings']}>
        {found.map(({ message, severity, at, fix }) => (
          <li key={`${at} ${message}`}>
            <span className={clsx('tag', severity)}>{severity}</span>
            <span className={styles['message']}>{message}</span>
            {fix && (
              <button
                type="button"
                className="link"
                onClick={() => session.edit(fix.title, fix.changes)}
              >
                {fix.title}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
