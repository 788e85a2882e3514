import './bench.css';
import { useHotkeys, useLocalStorage } from '@mantine/hooks';
import { useCallback } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { facets } from '../../../core/inspect/index.ts';
import { titleOf } from '../../../core/mod/index.ts';
import { useBlock, useMod, useSession, type BlockEditor } from '../../api/hooks.tsx';
import { Stage } from '../../stage/stage.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { FacetSheet } from './facets/index.tsx';
import { Files } from './files.tsx';
import { Foot } from './foot.tsx';
import { ShelfList } from './shelf-list.tsx';
import { Spine } from './spine.tsx';
import { StateStrip } from './state-strip.tsx';

/** One block: the shelf, the spine, the stage with its states, the editor of a facet, and what is wrong. */
export default function Bench() {
  const { block = '' } = useParams();
  const editor = useBlock(block);
  const session = useSession();
  if (!editor) {
    return (
      <div className="page">
        <h1>There is no block called {block}</h1>
        <p className="note">It may have been renamed or removed. Undo brings it back.</p>
        <Link to={`/m/${session.name}/blocks`}>See all blocks</Link>
      </div>
    );
  }
  return <OneBlock key={block} editor={editor} />;
}

function OneBlock({ editor }: { editor: BlockEditor }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const params = useParams();
  const [query, setQuery] = useSearchParams();
  const [files, setFiles] = useLocalStorage({ key: 'obrank.files', defaultValue: false, getInitialValueInEffect: false });
  const facet = facets.find((one) => one.toLowerCase() === params['facet']) ?? 'Traits';
  const { space } = editor.block;
  const asked = query.get('state');
  const state = asked !== null && /^\d+$/.test(asked) && Number(asked) < space.size ? Number(asked) : defaultStateOf(mod, editor.name);
  const setState = useCallback((next: number) => setQuery({ state: String(next) }, { replace: true }), [setQuery]);
  const go = (at: number) => void navigate({ pathname: `/m/${session.name}/blocks/${editor.name}/${facets[(at + facets.length) % facets.length]!.toLowerCase()}`, search: window.location.search });
  const at = facets.indexOf(facet);
  // Keys may come faster than pages are drawn, so the next facet is counted from the address.
  const inAddress = () => facets.findIndex((one) => window.location.pathname.endsWith(`/${one.toLowerCase()}`));
  const now = () => Number(new URLSearchParams(window.location.search).get('state') ?? state);
  useHotkeys([
    ['[', () => go((inAddress() < 0 ? at : inAddress()) - 1)], [']', () => go((inAddress() < 0 ? at : inAddress()) + 1)],
    ...facets.map((_, i): [string, () => void] => [String(i + 1), () => go(i)]),
    ['F', () => setFiles(!files)],
    [',', () => setState((now() + space.size - 1) % space.size)], ['.', () => setState((now() + 1) % space.size)],
  ]);
  return (
    <div className="bench">
      <ShelfList current={editor.name} facet={facet} />
      <Spine editor={editor} facet={facet} title={titleOf(mod, editor.name, editor.declared.names)} search={query.toString()} />
      <div className="middle">
        {files ? <Files block={editor.name} onClose={() => setFiles(false)} /> : <Stage editor={editor} state={state} />}
        <StateStrip editor={editor} state={state} onState={setState} />
      </div>
      <section className="sheet" aria-label={facet}><FacetSheet facet={facet} editor={editor} state={state} /></section>
      <Foot editor={editor} files={files} onFiles={() => setFiles(!files)} />
    </div>
  );
}
