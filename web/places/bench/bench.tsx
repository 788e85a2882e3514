import './bench.css';
import { useHotkeys, useLocalStorage } from '@mantine/hooks';
import { startTransition, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { facets } from '../../../core/inspect/index.ts';
import { titleOf } from '../../../core/mod/index.ts';
import { placeIn, placeNow, type Place } from '../../api/address.ts';
import { useBlock, useMod, useSession, type BlockEditor } from '../../api/hooks.tsx';
import { Stage } from '../../stage/stage.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { FacetSheet } from './facets/index.tsx';
import { Files } from './files.tsx';
import { Foot } from './foot.tsx';
import { Matrix } from './matrix/matrix.tsx';
import { PaintingOf } from './matrix/painting.tsx';
import { ShelfList } from './shelf-list.tsx';
import { Spine } from './spine.tsx';
import { DropChoiceOf } from './truth/choice.tsx';
import { usePaintDrops } from './truth/paint.ts';
import { Truth } from './truth/truth.tsx';
import { RestingStrip } from './state-strip.tsx';

/**
 * One block: the shelf, the spine, the stage with its states, the editor of a facet, and what is
 * wrong.
 */
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
  return (
    <PaintingOf key={block}>
      <DropChoiceOf block={editor.block}>
        <OneBlock editor={editor} />
      </DropChoiceOf>
    </PaintingOf>
  );
}

function OneBlock({ editor }: { editor: BlockEditor }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const [files, setFiles] = useLocalStorage({
    key: 'obrank.files',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const [matrixOpen, setMatrixOpen] = useLocalStorage({
    key: 'obrank.matrix-open',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const [truthOpen, setTruthOpen] = useLocalStorage({
    key: 'obrank.truth-open',
    defaultValue: true,
    getInitialValueInEffect: false,
  });
  const paint = usePaintDrops(editor);
  const { space } = editor.block;
  const shown = placeIn(pathname, search);
  const facet = shown.facet ?? 'Traits';
  const usual = defaultStateOf(mod, editor.name);
  const stateOf = (place: Place) =>
    place.state !== undefined && place.state < space.size ? place.state : usual;
  const state = stateOf(shown);
  const setState = (next: number) =>
    void navigate(
      { pathname: window.location.pathname, search: `?state=${next}` },
      { replace: true },
    );
  const go = (at: number) =>
    void navigate({
      pathname: `/m/${session.name}/blocks/${editor.name}/${facets[(at + facets.length) % facets.length]!.toLowerCase()}`,
      search: window.location.search,
    });
  const at = () => facets.indexOf(placeNow().facet ?? 'Traits');
  const step = (by: number) => setState((stateOf(placeNow()) + by + space.size) % space.size);
  const matrix = matrixOpen && facet === 'Looks' && space.size > 1 && !files;
  const truth = truthOpen && facet === 'Loot' && !files;
  const covered = matrix || truth;
  // Once it has been shown the stage stays, out of sight: giving up its graphics and making them
  // again takes longer than all the rest.
  const [staged, setStaged] = useState(!covered);
  if (!covered && !staged) setStaged(true);
  const toMatrix = () => {
    if (placeNow().facet !== 'Looks') go(facets.indexOf('Looks'));
    setFiles(false);
    // In slices, so that nothing waits for it. The matrix takes the focus when it is there.
    startTransition(() => setMatrixOpen(!matrix));
  };
  const toTruth = () => {
    setFiles(false);
    setTruthOpen(!truth);
  };
  useHotkeys([
    ['[', () => go(at() - 1)],
    [']', () => go(at() + 1)],
    ...facets.map((_, i): [string, () => void] => [String(i + 1), () => go(i)]),
    ['F', () => setFiles(!files)],
    ['M', () => (facet === 'Loot' ? toTruth() : toMatrix())],
    ...(facet === 'Loot'
      ? ([
          ['I', paint.itself],
          ['N', paint.nothing],
          ['K', paint.itemOrItself],
        ] as [string, () => void][])
      : []),
    [',', () => step(-1)],
    ['.', () => step(1)],
  ]);
  return (
    <div className="bench">
      <ShelfList current={editor.name} facet={facet} />
      <Spine
        editor={editor}
        facet={facet}
        title={titleOf(mod, editor.name, editor.declared.names)}
        search={search}
      />
      <div className="middle">
        {files ? (
          <Files block={editor.name} onClose={() => setFiles(false)} />
        ) : matrix ? (
          <Matrix editor={editor} state={state} onState={setState} onStage={toMatrix} />
        ) : truth ? (
          <Truth editor={editor} onStage={toTruth} />
        ) : null}
        {!files && staged && (
          <div className="stage-holder" hidden={covered}>
            <Stage editor={editor} state={state} />
          </div>
        )}
        <div hidden={covered}>
          <RestingStrip resting={covered} editor={editor} state={state} onState={setState} />
        </div>
      </div>
      <section className="sheet" aria-label={facet}>
        <FacetSheet
          facet={facet}
          editor={editor}
          state={state}
          onState={setState}
          matrix={matrix}
          onMatrix={toMatrix}
          truth={truth}
          onTruth={toTruth}
        />
      </section>
      <Foot editor={editor} files={files} onFiles={() => setFiles(!files)} />
    </div>
  );
}
