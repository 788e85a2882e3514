import { Link } from 'react-router';
import type { Facet } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession, type BlockEditor } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { SavedMark } from '../../parts/frame.tsx';
import styles from './spine.module.css';

/** The name of the block and the line of its facets: where one is, what is done, what was found. */
export function Spine({
  editor,
  facet,
  title,
  search,
}: {
  editor: BlockEditor;
  facet: Facet;
  title: string;
  search: string;
}) {
  const session = useSession();
  const { block, declared } = editor;
  const words = {
    done: 'nothing wrong',
    open: 'not filled in yet',
    error: 'with errors',
    warning: 'with warnings',
  };
  return (
    <div className={styles['spine']}>
      <h1>
        <b title={title}>{title}</b>
        <span className="mono" title={block.id}>
          {block.id}
        </span>
        <span className={styles['facts']}>
          <SavedMark /> ·{' '}
          {block.space.tooLarge ? 'too many states' : count(block.space.size, 'state')} ·{' '}
          {declared.identity.stock ? `stock: ${declared.identity.stock}` : 'no stock'}
        </span>
      </h1>
      <nav aria-label="Facets">
        <ol className={styles['stations']}>
          {stationsOf(declared, editor.findings).map((station) => (
            <li key={station.facet} className={styles[station.state]}>
              <Link
                to={{
                  pathname: `/m/${session.name}/blocks/${editor.name}/${station.facet.toLowerCase()}`,
                  search,
                }}
                aria-current={station.facet === facet ? 'step' : undefined}
                title={`${station.facet}: ${words[station.state]}`}
              >
                {station.count > 0 && <em>{station.count}</em>}
                {station.facet}
              </Link>
            </li>
          ))}
        </ol>
      </nav>
    </div>
  );
}
