import clsx from 'clsx';
import { useLocalStorage } from '@mantine/hooks';
import { startTransition, useState } from 'react';
import { useLocation, useNavigate, useParams } from 'react-router';
import { itemAt } from '../../../core/lists/index.ts';
import { chosenCandidates } from '../../../core/draw/index.ts';
import { facets, type Facet } from '../../../core/inspect/index.ts';
import { titleOf } from '../../../core/mod/index.ts';
import { benchPath, placeIn, placeNow, type Place } from '../../api/address.ts';
import { facetsOf } from '../../api/stations.ts';
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
import { useToDesk } from './to-desk.ts';
import { Truth } from './truth/truth.tsx';
import { RestingStrip } from './state-strip.tsx';
import frame from '../../parts/desk-frame.module.css';
import { Gone } from '../../parts/gone.tsx';
import { useKeys } from '../../parts/keys/use-keys.ts';
import styles from './bench.module.css';

/**
 * One block: the shelf, the spine, the stage with its states, the editor of a facet, and what is
 * wrong.
 */
export default function Bench() {
  const { block = '' } = useParams();
  const editor = useBlock(block);
  const session = useSession();
  if (!editor) {
    return <Gone what="block" name={block} to={`/m/${session.name}/blocks`} all="See all blocks" />;
  }
  return <BenchOf editor={editor} />;
}

/** The shelf stays while one block gives way to the next. */
function BenchOf({ editor }: { editor: BlockEditor }) {
  const place = useBenchPlace(editor);
  return (
    <div className={frame['frame']}>
      <ShelfList current={editor.name} facet={place.facet} />
      <PaintingOf key={editor.name}>
        <DropChoiceOf block={editor.block}>
          <OneBlock editor={editor} place={place} />
        </DropChoiceOf>
      </PaintingOf>
    </div>
  );
}

/** What this browser remembers of the bench. */
function useKept(key: string, usual: boolean): [boolean, (value: boolean) => void] {
  const [value, setValue] = useLocalStorage({
    key,
    defaultValue: usual,
    getInitialValueInEffect: false,
  });
  return [value, setValue];
}

/** Where one is on the bench: the facet, the state, and the ways to others. */
function useBenchPlace({ name, block }: BlockEditor) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const { space } = block;
  const usual = defaultStateOf(mod, name);
  const stateOf = (place: Place) =>
    place.state !== undefined && place.state < space.size ? place.state : usual;
  const shown = placeIn(pathname, search);
  const setState = (next: number) =>
    void navigate(
      { pathname: window.location.pathname, search: `?state=${next}` },
      { replace: true },
    );
  const own = facetsOf(name);
  const goToFacet = (facet: Facet) => {
    if (!own.includes(facet)) return;
    void navigate({
      pathname: `/m/${session.name}/${benchPath(name, facet)}`,
      search: window.location.search,
    });
  };
  // Keys may come faster than the page is drawn, so they go by the address.
  const first: Facet = own.includes('Traits') ? 'Traits' : 'Looks';
  const isOwn = (facet: Facet | undefined) => facet !== undefined && own.includes(facet);
  const facetOf = ({ facet }: Place): Facet => (isOwn(facet) ? facet! : first);
  const facetNow = () => facetOf(placeNow());
  const stepState = (by: number) => setState((stateOf(placeNow()) + by + space.size) % space.size);
  return {
    search,
    facet: facetOf(shown),
    state: stateOf(shown),
    setState,
    goToFacet,
    facetNow,
    stepFacet: (by: number) =>
      goToFacet(itemAt(own, (own.indexOf(facetNow()) + by + own.length) % own.length)),
    stepState,
  };
}

/** What stands in the middle: the files, the matrix, the truth table of drops, or the stage. */
function useMiddle({ block }: BlockEditor, place: ReturnType<typeof useBenchPlace>) {
  const [files, setFiles] = useKept('obrank.files', false);
  const [isMatrixOpen, setMatrixOpen] = useKept('obrank.matrix-open', false);
  const [isTruthOpen, setTruthOpen] = useKept('obrank.truth-open', true);
  const matrix = isMatrixOpen && place.facet === 'Looks' && block.space.size > 1 && !files;
  const truth = isTruthOpen && place.facet === 'Loot' && !files;
  const toMatrix = () => {
    if (place.facetNow() !== 'Looks') place.goToFacet('Looks');
    setFiles(false);
    // In slices, so that nothing waits for it. The matrix takes the focus when it is there.
    startTransition(() => setMatrixOpen(!matrix));
  };
  const toTruth = () => {
    setFiles(false);
    setTruthOpen(!truth);
  };
  return { files, setFiles, matrix, truth, toMatrix, toTruth };
}

interface OneBlockProps {
  editor: BlockEditor;
  place: ReturnType<typeof useBenchPlace>;
}

function OneBlock({ editor, place }: OneBlockProps) {
  const mod = useMod();
  const middle = useMiddle(editor, place);
  const { facet, state, setState } = place;
  const { files, setFiles, matrix, truth, toMatrix, toTruth } = middle;
  useBenchKeys(editor, place, middle);
  return (
    <>
      <Spine
        editor={editor}
        facet={facet}
        title={titleOf(mod, editor.name, editor.declared.names)}
        search={place.search}
      />
      <Middle editor={editor} place={place} middle={middle} />
      <section className={clsx(frame['sheet'], styles['facet'])} aria-label={facet}>
        <FacetSheet
          {...{ facet, editor, state, matrix, truth }}
          onState={setState}
          onMatrix={toMatrix}
          onTruth={toTruth}
        />
      </section>
      <Foot editor={editor} facet={facet} files={files} onFiles={() => setFiles(!files)} />
    </>
  );
}

function useBenchKeys(
  editor: BlockEditor,
  { facet, state, goToFacet, stepFacet, stepState }: ReturnType<typeof useBenchPlace>,
  { files, setFiles, toMatrix, toTruth }: ReturnType<typeof useMiddle>,
): void {
  const paint = usePaintDrops(editor);
  const toDesk = useToDesk(editor.name);
  const session = useSession();
  const navigate = useNavigate();
  const [shown] = chosenCandidates(editor.block, state, 0);
  useKeys({
    desk: () => shown && toDesk(shown.model),
    toYard: () => void navigate(`/m/${session.name}/yard?place=${editor.name}`),
    previousFacet: () => stepFacet(-1),
    nextFacet: () => stepFacet(1),
    facet: (digit) => goToFacet(itemAt(facets, (Number(digit) + 9) % 10)),
    files: () => setFiles(!files),
    middle: facet === 'Loot' ? toTruth : toMatrix,
    previousState: () => stepState(-1),
    nextState: () => stepState(1),
    ...(facet === 'Loot' && {
      dropItself: paint.itself,
      dropNothing: paint.nothing,
      dropItem: paint.itemOrItself,
    }),
  });
}

interface MiddleProps {
  editor: BlockEditor;
  place: ReturnType<typeof useBenchPlace>;
  middle: ReturnType<typeof useMiddle>;
}

function Middle({ editor, place: { state, setState }, middle }: MiddleProps) {
  const mod = useMod();
  const { files, setFiles, matrix, truth, toMatrix, toTruth } = middle;
  const isCovered = matrix || truth;
  // Once it has been shown the stage stays, out of sight: giving up its graphics and making them
  // again takes longer than all the rest.
  const [isStaged, setStaged] = useState(!isCovered);
  if (!isCovered && !isStaged) setStaged(true);
  return (
    <div className={frame['middle']}>
      {files && <Files block={editor.name} onClose={() => setFiles(false)} />}
      {matrix && <Matrix editor={editor} state={state} onState={setState} onStage={toMatrix} />}
      {truth && <Truth editor={editor} onStage={toTruth} />}
      {!files && isStaged && (
        <div className={styles['stage-holder']} hidden={isCovered}>
          <Stage mod={mod} block={editor.block} state={state} />
        </div>
      )}
      <div hidden={isCovered}>
        <RestingStrip resting={isCovered} editor={editor} state={state} onState={setState} />
      </div>
    </div>
  );
}
