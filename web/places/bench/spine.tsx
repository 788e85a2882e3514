import type { Facet } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession, type BlockEditor } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { SavedMark } from '../../parts/frame.tsx';
import { StationLine } from '../../parts/station-line.tsx';
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
  const home = `/m/${session.name}/blocks/${editor.name}`;
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
      <StationLine
        label="Facets"
        current={facet}
        stops={stationsOf(declared, editor.findings).map(({ facet: title, state, count }) => ({
          title,
          state,
          count,
          to: { pathname: `${home}/${title.toLowerCase()}`, search },
        }))}
      />
    </div>
  );
}
