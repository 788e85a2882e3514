import { useLocalStorage } from '@mantine/hooks';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { itemAt } from '../../../../core/lists/index.ts';
import { lookUp, type TraitName } from '../../../../core/mod/index.ts';
import {
  bulkChange,
  shownSubjects,
  subjectsNamed,
  subjectsOf,
  type BulkAct,
  type BulkPlan,
  type Subject,
  type SubjectOrder,
} from '../../../../core/table/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { focusMade } from '../../../parts/keys/focus-made.ts';
import { useLines, type Lines } from '../../../parts/grid/use-lines.ts';
import { BulkBar } from '../bulk-bar.tsx';
import { mostSubjects, SideBySide } from '../side-by-side.tsx';
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
  const choosing = useChosenLines(keys, lines.reveal);
  const { chosen } = choosing;
  const blocks = [...chosen].filter((key) => lookUp(mod.blocks, key));
  const [planned, setPlanned] = useState<{ trait: TraitName; act: BulkAct }>();
  const plan =
    planned && blocks.length ? bulkChange(mod, blocks, planned.trait, planned.act) : undefined;
  const mayCompare = chosen.size >= 2 && chosen.size <= mostSubjects;
  return (
    <>
      <Grid
        {...{ shown, choosing, order, plan, filter }}
        {...lines}
        total={subjects.length}
        onOrder={setOrder}
        changing={plan && planned?.trait}
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

interface GridProps extends Lines {
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
  const { shown, total, filter, choosing, order, onOrder, plan, changing } = props;
  const { scroller, track } = props;
  const { chosen, cursor, choose, press, onKey } = choosing;
  const becomes = new Map(plan?.changed.map(({ block, after }) => [block, after]));
  const isEveryChosen = shown.length > 0 && shown.every(({ key }) => chosen.has(key));
  const atCursor = shown[cursor];
  return (
    <div
      className={pageStyles['scroll']}
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label="Table of traits"
      aria-multiselectable="true"
      aria-rowcount={shown.length + 1}
      aria-activedescendant={atCursor && `line-${atCursor.key}`}
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
              cursor={item.index === cursor}
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
