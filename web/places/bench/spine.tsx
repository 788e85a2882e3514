import type { Facet } from '../../../core/inspect/index.ts';
import { isNewLook } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { benchPath } from '../../api/address.ts';
import { useMod, useSession, type BlockEditor } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { FromFamily } from '../../parts/from-family.tsx';
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
  const mod = useMod();
  const { block, declared } = editor;
  const home = `/m/${session.name}/${benchPath(editor.name)}`;
  const states = block.space.tooLarge ? 'too many states' : count(block.space.size, 'state');
  const { stock } = declared.identity;
  return (
    <DeskHead
      title={title}
      id={block.id}
      facts={
        isNewLook(editor.name)
          ? 'a new look for a block of others'
          : `${states} · ${stock ? `stock: ${stock}` : 'no stock'}`
      }
      from={<FromFamily name={editor.name} />}
      label="Facets"
      current={facet}
      stops={stationsOf(mod, editor.name, declared, editor.findings).map(
        ({ facet: stop, state, count: many }) => ({
          title: stop,
          state,
          count: many,
          to: { pathname: `${home}/${stop.toLowerCase()}`, search },
        }),
      )}
    />
  );
}
