import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import { Button, Group, SegmentedControl } from '@mantine/core';
import { memo, useMemo } from 'react';
import { Link } from 'react-router';
import type { Candidate, Looks, ResolvedBlock } from '../../../../core/mod/index.ts';
import { areStatesKnown, idOf, isNewLook, lookUp } from '../../../../core/mod/index.ts';
import { ownModelsFor, sharedModels, templates } from '../../../../core/models/index.ts';
import { headings } from '../../../../core/space/index.ts';
import { fewestRows, type Rows } from '../../../../core/states/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useBlockEdits, useBlockPart, useModPart, useSession } from '../../../api/hooks.tsx';
import { download } from '../../../parts/download.ts';
import { useTrying } from '../../../parts/use-trying.ts';
import { Later } from '../../../parts/later.tsx';
import { useStable } from '../../../parts/use-stable.ts';
import { RowsEditor } from '../../../parts/rows-editor.tsx';
import { repainted, useBrush, type Brush } from '../matrix/brush.ts';
import { asStates, usePainting } from '../matrix/painting.tsx';
import { useToDesk } from '../to-desk.ts';
import { AnotherShape } from './another-shape.tsx';
import { TintField } from './traits/tint-field.tsx';
import { Candidates } from './candidates.tsx';
import type { FacetProps } from './index.tsx';
import { ShownToo } from './shown-too.tsx';
import { Cap } from '../../../parts/keys/cap.tsx';
import styles from './invite.module.css';
import matrixStyles from '../matrix/matrix.module.css';

const asUse = (rows: Rows<Candidate[]>): Looks['rows'] =>
  rows.map(({ when, value }) => (when ? { when, use: value } : { use: value }));

/** The ids of all models that a look can name: the mod's own and the templates. */
function useModelIds(): string[] {
  const own = useModPart((mod) =>
    Object.keys(mod.models).map((model) => idOf(mod.header.namespace, model)),
  );
  return useMemo(() => [...own, ...templates.map(({ id }) => id)], [own]);
}

/**
 * What the states show: the brush for the cells that are chosen in the matrix, and the rows that
 * follow.
 */
export function LooksFacet({ editor, state, matrix, onMatrix }: FacetProps) {
  const { name, declared, block, set } = editor;
  const { mode } = declared.looks;
  const { space } = block;
  const models = useModelIds();
  const addArms = () => {
    const model = declared.looks.rows.at(-1)?.use[0]?.model ?? itemAt(models, 0);
    const arms = headings.filter((heading) =>
      space.properties.some((property) => property.name === heading && property.kind === 'toggle'),
    );
    set(
      'Add an arm for each side',
      ['looks', 'rows'],
      [
        ...declared.looks.rows,
        ...arms.map((heading) => ({
          when: { [heading]: true },
          use: [{ model, ...(heading === 'south' ? {} : { front: heading }) }],
        })),
      ],
    );
  };
  return (
    <>
      <SegmentedControl
        mb="sm"
        aria-label="Kind of look"
        value={mode}
        onChange={(value) => set(`Make the look ${value}`, ['looks', 'mode'], value)}
        data={[
          { value: 'one-of', label: 'One of: the first row that matches' },
          { value: 'layered', label: 'Layered: every row' },
        ]}
        fullWidth
      />
      {mode === 'one-of' && matrix && (
        <Later frames={3}>
          <BrushPanel editor={editor} models={models} />
        </Later>
      )}
      <Invitations {...{ editor, matrix, onMatrix }} />
      <ToDesk editor={editor} state={state} />
      <SharedModels name={name} />
      {mode === 'layered' && matrix && <LayerFor editor={editor} models={models} />}
      <LookRows block={name} models={models} />
      {isNewLook(name) && <TintOver name={name} />}
      <Group mt="sm">
        {!isNewLook(name) && <AnotherShape editor={editor} />}
        {mode === 'layered' &&
          space.properties.some(
            (property) =>
              property.kind === 'toggle' && (headings as readonly string[]).includes(property.name),
          ) && (
            <Button variant="default" onClick={addArms}>
              Add an arm for each side
            </Button>
          )}
      </Group>
    </>
  );
}

/** The tint of a new look: whether there is one at all is the owner's to say. */
function TintOver({ name }: { name: string }) {
  const tint = useModPart((mod) => lookUp(mod.newLooks, name)?.tint);
  const { set } = useBlockEdits(name);
  return (
    <TintField
      tint={tint ?? 'none'}
      onTint={(value) => set('Change the tint', ['tint'], value === 'none' ? undefined : value)}
      note="It takes the place of the owner's tint, and does nothing where the owner has none."
    />
  );
}

/** The models that the look shows, each with the way to its desk; and the state as a file. */
function ToDesk({ editor: { name, block }, state }: Pick<FacetProps, 'editor' | 'state'>) {
  const open = useToDesk(name);
  const ids = [
    ...new Set(block.looks.rows.flatMap(({ value }) => value.map(({ model }) => model))),
  ];
  if (!ids.length) return null;
  return (
    <p className={clsx('note', styles['invite'])}>
      On the model desk <Cap of="desk" />:{' '}
      {ids.slice(0, mostNamed).map((id, i) => (
        <span key={id}>
          {i > 0 && ', '}
          <button type="button" className="link mono" onClick={() => open(id)}>
            {id.slice(id.indexOf(':') + 1)}
          </button>
        </span>
      ))}
      {ids.length > mostNamed && ` and ${ids.length - mostNamed} more`}
      {'. '}
      <SaveState block={block} state={state} />
    </p>
  );
}

/** Who else shows the models of the block, and a way to have some of its own. */
function SharedModels({ name }: { name: string }) {
  const session = useSession();
  const shared = useModPart((mod) => [...sharedModels(mod, name)]);
  const isOne = shared.length === 1;
  return (
    <ShownToo
      others={[...new Set(shared.flatMap(([, others]) => others))]}
      so={
        isOne
          ? 'the same model: what you change on it is changed there.'
          : `${count(shared.length, 'model')} of it too: what you change on them is changed there.`
      }
      act={isOne ? 'Make it its own' : 'Make them its own'}
      onMakeOwn={() =>
        session.edit(`Models of its own for ${name}`, ownModelsFor(session.view.mod, name))
      }
    />
  );
}

/** The state as a model for other programs. */
function SaveState({ block, state }: { block: ResolvedBlock; state: number }) {
  const session = useSession();
  const [problem, tries] = useTrying();
  const save = (format: 'glb' | 'obj') => () =>
    tries(async () => {
      // Only whoever saves one waits for it.
      const { modelFile } = await import('../../../api/model-files.ts');
      const file = await modelFile(session.view.mod, block, state, format);
      download(file.name, file.bytes, file.type);
    });
  return (
    <>
      Save the state as{' '}
      <button type="button" className="link plain" onClick={save('glb')}>
        GLB
      </button>{' '}
      or{' '}
      <button type="button" className="link plain" onClick={save('obj')}>
        OBJ
      </button>
      {problem && (
        <span className="bad" role="alert">
          {' '}
          {problem}
        </span>
      )}
    </>
  );
}

/** So many models are named at once. */
const mostNamed = 6;

/** What else one can do with the look, and where. */
function Invitations({
  editor: { name, declared, block },
  matrix,
  onMatrix,
}: Pick<FacetProps, 'editor' | 'matrix' | 'onMatrix'>) {
  const session = useSession();
  const { mode } = declared.looks;
  const { space } = block;
  const choices = block.looks.rows.some((row) => row.value.length > 1);
  return (
    <>
      {!matrix && space.size > 1 && (
        <p className={clsx('note', styles['invite'])}>
          <button type="button" className="link" onClick={onMatrix}>
            Open the matrix
          </button>{' '}
          to {mode === 'one-of' ? 'paint' : 'see'} {count(space.size, 'state')} at once.{' '}
          <Cap of="middle" />
        </p>
      )}
      {space.size > 1 && !isNewLook(name) && (
        <p className={clsx('note', styles['invite'])}>
          <Link to={`/m/${session.name}/sheet?block=${name}`} className="link">
            Contact sheet
          </Link>{' '}
          of every state, to keep and to compare.
        </p>
      )}
      {choices && (
        <p className={clsx('note', styles['invite'])}>
          Which candidate shows follows from the place alone. <b>Patch</b> on the stage shows 12 ×
          12 places.
        </p>
      )}
      {mode === 'layered' && (
        <p className={clsx('note', styles['invite'])}>
          Every row that matches is drawn over the others.
          {matrix && ' Choose cells to add a layer for them.'}
        </p>
      )}
    </>
  );
}

/** The rows of the look. They stay as they are while the cursor goes from state to state. */
const LookRows = memo(function LookRows({
  block: name,
  models,
}: {
  block: string;
  models: string[];
}) {
  const block = useBlockPart(name, ({ looks, space }) => [
    looks.mode,
    looks.rows,
    space.properties,
  ]);
  const { set } = useBlockEdits(name);
  const isKnown = useModPart((mod) => areStatesKnown(mod, name));
  const choose = useStable(usePainting().choose);
  const lastModel = block.declared.looks.rows.at(-1)?.use[0]?.model;
  return (
    <RowsEditor<Candidate[]>
      what="the look"
      rows={block.looks.rows}
      space={block.space}
      layered={block.looks.mode === 'layered'}
      unknown={!isKnown}
      fresh={() => [{ model: lastModel ?? itemAt(models, 0) }]}
      onRows={(label, rows) => {
        set(label, ['looks', 'rows'], asUse(rows));
        choose([]);
      }}
      value={(use, onUse, _row, shown) => (
        <Candidates use={use} models={models} block={name} state={shown} onUse={onUse} />
      )}
    />
  );
});

/** Adds a layer for the chosen states, where one condition can name just these. */
function LayerFor({
  editor: { block, declared, set },
  models,
}: {
  editor: FacetProps['editor'];
  models: string[];
}) {
  const { chosen, toMatrix } = usePainting();
  const rows = useMemo(() => {
    const states = asStates(chosen, block.space);
    return states.isEmpty
      ? []
      : fewestRows(
          Array.from({ length: block.space.size }, (_, state) =>
            states.has(state) ? true : undefined,
          ),
          block.space,
        ).rows;
  }, [chosen, block.space]);
  const [row] = rows;
  if (!row) return null;
  if (rows.length > 1)
    return (
      <p className={clsx('note', styles['invite'])}>
        {count(chosen.size, 'chosen state')}, but no single condition names just these.
      </p>
    );
  return (
    <div id="brush" className={matrixStyles['brush']} role="group" aria-label="Layer">
      <div className={matrixStyles['kv']}>
        <span>A layer for {count(chosen.size, 'state')}</span>
      </div>
      <Candidates
        use={[]}
        models={models}
        block={block.name}
        onUse={(use) =>
          set(
            `Add a layer for ${count(chosen.size, 'state')}`,
            ['looks', 'rows'],
            [...declared.looks.rows, row.when ? { when: row.when, use } : { use }],
          )
        }
        onDone={toMatrix}
      />
    </div>
  );
}

/** What the chosen states show, in a few words. */
function whatIsChosen({ use, mixed, turnings }: Brush): string {
  if (use === undefined) return 'without a look';
  if (mixed) return 'different looks';
  return turnings > 1 ? `one look in ${turnings} turnings` : 'one look';
}

/** What the chosen states show, to be changed for all of them at once. */
function BrushPanel({ editor, models }: { editor: FacetProps['editor']; models: string[] }) {
  const { chosen } = usePainting();
  const brush = useBrush(editor);
  const { toMatrix } = usePainting();
  if (!chosen.size)
    return (
      <p className={clsx('note', styles['invite'])}>
        Choose cells in the matrix; what they show is set here for all of them at once.
      </p>
    );
  const many = count(chosen.size, 'state');
  return (
    <div
      id="brush"
      className={matrixStyles['brush']}
      role="group"
      aria-label="Brush"
      onKeyDown={(event) => {
        if (event.key === 'Escape') toMatrix();
      }}
    >
      <div className={matrixStyles['kv']}>
        <span>{many} chosen</span>
        <span className="note">{whatIsChosen(brush)}</span>
      </div>
      <Candidates
        use={brush.use ?? []}
        models={models}
        block={editor.name}
        open
        onUse={(use, changed) =>
          brush.paint(`Paint ${many}`, (before) => repainted(before, use, changed))
        }
        onDone={toMatrix}
      />
      <div className={matrixStyles['acts']}>
        {brush.use &&
          brush.spreadable.map((property, i) => (
            <Button key={property} variant="default" onClick={() => brush.spread(property)}>
              Spread along {property}
              {i === 0 ? <Cap of="spread" /> : null}
            </Button>
          ))}
        <Button variant="default" onClick={brush.clear}>
          Take the look away
        </Button>
      </div>
    </div>
  );
}
