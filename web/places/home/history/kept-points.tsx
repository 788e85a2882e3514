import { Link } from 'react-router';
import type { Point } from '../../../../core/api/index.ts';
import { calledThen } from '../../../api/past.ts';
import { useSession } from '../../../api/hooks.tsx';
import { momentInWords } from '../when.ts';
import styles from './history.module.css';

/** Points that are older than the steps of the list: the mod can still be looked at there. */
export function KeptPoints({ points, before }: { points: readonly Point[]; before: number }) {
  const { name: mod } = useSession();
  const older = points.filter(({ revision }) => revision < before);
  if (older.length === 0) return null;
  return (
    <ul className={styles['steps']}>
      {older.map(({ revision, name, time }) => (
        <li key={revision}>
          <span className={styles['time']}>{momentInWords(time, new Date())}</span>
          <span className={styles['label']}>
            {name === null ? (
              <span className="soft">kept as it was</span>
            ) : (
              <span className={styles['point']}>{name}</span>
            )}
          </span>
          <Link className="link" to={`/m/${calledThen({ mod, revision })}/blocks`}>
            Look
          </Link>
        </li>
      ))}
    </ul>
  );
}
