import type { Facet } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession, type BlockEditor } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { DeskHead } from '../../parts/desk-head.tsx';

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
  const states = block.space.tooLarge ? 'too many states' : count(block.space.size, 'state');
  const { stock } = declared.identity;
  return (
    <DeskHead
      title={title}
      id={block.id}
      facts={`${states} · ${stock ? `stock: ${stock}` : 'no stock'}`}
      label="Facets"
      current={facet}
      stops={stationsOf(declared, editor.findings).map(({ facet: stop, state, count: many }) => ({
        title: stop,
        state,
        count: many,
        to: { pathname: `${home}/${stop.toLowerCase()}`, search },
      }))}
    />
  );
}
