import { daysInBin, type ModSummary } from '../../../core/api/index.ts';
import { count } from '../../../core/words/index.ts';
import { AskFirst } from '../../parts/ask-first.tsx';
import type { ModActs } from './use-mod-acts.ts';
import styles from './mods.module.css';

const dayMs = 86_400_000;

/** What was put into the bin, and how long it can still be brought back. */
export function Bin({ mods, acts }: { mods: readonly ModSummary[]; acts: ModActs }) {
  if (mods.length === 0) return null;
  return (
    <section aria-labelledby="bin">
      <h2 id="bin">Bin</h2>
      <ul className={styles['list']}>
        {mods.map(({ name, title, removed = '' }) => (
          <li key={name} className={styles['binned']}>
            <span className={styles['name']}>
              <strong>{title}</strong> <span className="mono soft">{name}</span>
            </span>
            <span className="soft">goes in {count(daysLeft(removed), 'day')}</span>
            <button type="button" className="link" onClick={() => void acts.restore(name)}>
              Bring back
            </button>
            <AskFirst
              act={`Delete ${title} for good`}
              says={() => 'Its blocks, its history and what only it shows cannot be had back.'}
              onAct={() => void acts.remove(name)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

const daysLeft = (removed: string): number =>
  Math.max(0, Math.ceil(daysInBin - (Date.now() - Date.parse(removed)) / dayMs));
