import { useLocalStorage } from '@mantine/hooks';
import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { itemAt } from '../../../../core/lists/index.ts';
import { lookUp, traitFacts, type TraitName } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import {
  bulkChange,
  columns,
  shownSubjects,
  subjectsNamed,
  subjectsOf,
  type BulkAct,
  type BulkPlan,
  type Subject,
  type SubjectOrder,
} from '../../../../core/table/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import type { GridCell } from '../../../parts/grid/moves.ts';
import { useStable } from '../../../parts/use-stable.ts';
import { focusMade } from '../../../parts/keys/focus-made.ts';
import { useLines, type Lines } from '../../../parts/grid/use-lines.ts';
import { BulkBar } from '../bulk-bar.tsx';
import { mostSubjects, SideBySide } from '../side-by-side.tsx';
import type { Onward } from './cell-editor.tsx';
import { Head } from './head.tsx';
import { Line } from './line.tsx';
import { TableHead } from './table-head.tsx';
import { useChosenLines, type ChosenLines } from './use-chosen-lines.ts';
import styles from './traits.module.css';
import pageStyles from '../page.module.css';

const lineHeight = 34;

/**
 * Every block as a line of its traits: to be sorted, compared, changed many at once, and taken out
 * and in as CSV.
 */
export function TraitTable() {
  const mod = useMod();
  const [search, setSearch] = useSearchParams();
  const [filter, setFilter] = useState('');
  const [withStock, setWithStock] = useKept('obrank.table.stock', false);
  const subjects = useMemo(() => subjectsOf(mod, withStock), [mod, withStock]);
  const compared = subjectsNamed(subjects, (search.get('compare') ?? '').split(','));
  const compare = (keys: readonly string[]) =>
    setSearch(keys.length ? { compare: keys.join(',') } : {});
  return (
    <div className={pageStyles['data-page']}>
      <TableHead
        filter={filter}
        onFilter={setFilter}
        withStock={withStock}
        onWithStock={setWithStock}
      />
      {compared.length > 1 ? (
        <SideBySide subjects={compared} onSubjects={compare} />
      ) : (
        <Table subjects={subjects} filter={filter} onCompare={compare} />
      )}
    </div>
  );
}

/** A value that this browser remembers. */
function useKept<T>(key: string, defaultValue: T): [T, (value: T) => void] {
  const [value, setValue] = useLocalStorage({ key, defaultValue, getInitialValueInEffect: false });
  return [value, setValue];
}

/** The lines, and below them what can be done to those that are chosen. */
function Table({
  subjects,
  filter,
  onCompare,
}: {
  subjects: readonly Subject[];
  filter: string;
  onCompare: (keys: readonly string[]) => void;
}) {
  const mod = useMod();
  const session = useSession();
  const [order, setOrder] = useKept<SubjectOrder>('obrank.table.sort', { by: 'name', down: false });
  const shown = useMemo(() => shownSubjects(subjects, filter, order), [subjects, filter, order]);
  const keys = useMemo(() => shown.map(({ key }) => key), [shown]);
  const lines = useLines(shown.length, lineHeight);
  const [edited, setEdited] = useState<{ cell: GridCell; typed: string | undefined }>();
  const onEdit = (cell: GridCell, typed?: string) => {
    const isBlock = lookUp(mod.blocks, keys[cell.row] ?? '') !== undefined;
    if (cell.column > 0 && isBlock) setEdited({ cell, typed });
  };
  const options = { keys, columns: columns.length + 1, reveal: lines.reveal, onEdit };
  const choosing = useChosenLines(options);
  const { chosen } = choosing;
  const blocks = [...chosen].filter((key) => lookUp(mod.blocks, key));
  const [planned, setPlanned] = useState<{ trait: TraitName; act: BulkAct }>();
  const plan =
    planned && blocks.length ? bulkChange(mod, blocks, planned.trait, planned.act) : undefined;
  const editing = edited && editedCell(edited, keys, blocks);
  const onDone = (value: Subject['traits'][TraitName] | undefined, onward: Onward) => {
    setEdited(undefined);
    focusMade('[role="grid"]');
    if (!edited || !editing) return;
    if (value !== undefined) {
      const { trait } = editing;
      const act = { do: 'set', value } as const;
      const { changes } = bulkChange(session.view.mod, editing.blocks, trait, act);
      const label = `Set ${traitFacts(trait).words} of ${count(editing.blocks.length, 'block')}`;
      if (changes.length) session.edit(label, changes);
    }
    choosing.goTo(cellOnward(edited.cell, onward, keys.length));
  };
  const mayCompare = chosen.size >= 2 && chosen.size <= mostSubjects;
  return (
    <>
      <Grid
        {...{ shown, choosing, order, plan, filter }}
        {...lines}
        total={subjects.length}
        onOrder={setOrder}
        changing={plan && planned?.trait}
        editing={editing}
        onEdit={onEdit}
        onDone={onDone}
      />
      <BulkBar
        chosen={blocks}
        many={chosen.size}
        plan={plan}
        onPlan={setPlanned}
        onApply={(label) => {
          if (plan) session.edit(label, plan.changes);
          // Pressed twice it must not be done twice: what comes next is planned anew.
          setPlanned(undefined);
          focusMade('[role="grid"]');
        }}
        onCompare={mayCompare ? () => onCompare([...chosen]) : undefined}
        onClear={() => choosing.choose([])}
      />
    </>
  );
}

/** What is edited: the line, the trait, and the blocks that get it, all that are chosen with it. */
interface EditedCell {
  key: string;
  trait: TraitName;
  typed: string | undefined;
  blocks: readonly string[];
}

function editedCell(
  { cell, typed }: { cell: GridCell; typed: string | undefined },
  keys: readonly string[],
  chosen: readonly string[],
): EditedCell | undefined {
  const key = keys[cell.row];
  const column = columns[cell.column - 1];
  if (key === undefined || !column) return undefined;
  const blocks = chosen.includes(key) ? chosen : [key];
  return { key, trait: column.trait, typed, blocks };
}

function cellOnward({ row, column }: GridCell, onward: Onward, rows: number): GridCell {
  const aside = { stay: 0, down: 0, right: 1, left: -1 }[onward];
  return {
    row: onward === 'down' ? Math.min(rows - 1, row + 1) : row,
    column: Math.max(0, Math.min(columns.length, column + aside)),
  };
}

interface GridProps extends Lines {
  editing: EditedCell | undefined;
  onEdit: (cell: GridCell) => void;
  onDone: (value: Subject['traits'][TraitName] | undefined, onward: Onward) => void;
  shown: readonly Subject[];
  /** How many there are without the filter. */
  total: number;
  filter: string;
  choosing: ChosenLines;
  order: SubjectOrder;
  onOrder: (order: SubjectOrder) => void;
  /** The change that is in sight, and the trait that it changes. */
  plan: BulkPlan | undefined;
  changing: TraitName | undefined;
}

function Grid(props: GridProps) {
  const { shown, total, filter, choosing, order, onOrder, plan, changing, editing } = props;
  const onDone = useStable(props.onDone);
  const onEdit = useStable(props.onEdit);
  const { scroller, track } = props;
  const { chosen, cursor, choose, press, onKey } = choosing;
  const becomes = new Map(plan?.changed.map(({ block, after }) => [block, after]));
  const isEveryChosen = shown.length > 0 && shown.every(({ key }) => chosen.has(key));
  const atCursor = shown[cursor.row];
  const cursorId = atCursor && `cell-${atCursor.key}-${cursor.column}`;
  useEffect(() => {
    if (cursorId !== undefined)
      document.getElementById(cursorId)?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [cursorId]);
  return (
    <div
      className={pageStyles['scroll']}
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label="Table of traits"
      aria-multiselectable="true"
      aria-rowcount={shown.length + 1}
      aria-activedescendant={cursorId}
      onKeyDown={onKey}
    >
      <div className={styles['trait-grid']} style={{ height: track.getTotalSize() + lineHeight }}>
        <Head
          lines={shown.length === total ? `${total} lines` : `${shown.length} of ${total}`}
          order={order}
          onOrder={onOrder}
          chosen={isEveryChosen ? 'all' : chosen.size ? 'some' : 'none'}
          onChooseAll={(all) => choose(all ? shown.map(({ key }) => key) : [])}
          planned={changing}
        />
        {track.getVirtualItems().map((item) => {
          const subject = itemAt(shown, item.index);
          return (
            <Line
              key={subject.key}
              subject={subject}
              index={item.index}
              top={item.start + lineHeight}
              chosen={chosen.has(subject.key)}
              cursor={item.index === cursor.row ? cursor.column : undefined}
              editing={
                editing?.key === subject.key
                  ? { trait: editing.trait, typed: editing.typed, many: editing.blocks.length }
                  : undefined
              }
              onEdit={onEdit}
              onDone={onDone}
              changing={becomes.has(subject.key) ? changing : undefined}
              becomes={becomes.get(subject.key)}
              press={press}
            />
          );
        })}
        {shown.length === 0 && (
          <p className={clsx('note', styles['nothing'])}>
            {total
              ? `Nothing matches “${filter}”.`
              : 'The mod has no blocks yet. Each block becomes a line here.'}
          </p>
        )}
      </div>
    </div>
  );
}
