import { Checkbox } from '@mantine/core';
import clsx from 'clsx';
import type { TraitName } from '../../../../core/mod/index.ts';
import { columns, type SubjectOrder } from '../../../../core/table/index.ts';
import styles from './traits.module.css';

interface HeadProps {
  /** What the first column says of the lines: `17 lines`. */
  lines: string;
  order: SubjectOrder;
  onOrder: (order: SubjectOrder) => void;
  /** Whether all, some or none of the lines are chosen. */
  chosen: 'all' | 'some' | 'none';
  onChooseAll: (all: boolean) => void;
  /** The trait that is about to change. */
  planned: TraitName | undefined;
}

/** The head of the table: it stays, and a press on a column sorts by it. */
export function Head({ lines, order, onOrder, chosen, onChooseAll, planned }: HeadProps) {
  const sortBy = (by: SubjectOrder['by']) =>
    onOrder({ by, down: order.by === by ? !order.down : false });
  const sortedBy = (by: SubjectOrder['by']) =>
    order.by === by ? (order.down ? 'descending' : 'ascending') : 'none';
  return (
    <div className={clsx(styles['line'], styles['head'])} role="row">
      <span className={styles['name']} role="columnheader" aria-sort={sortedBy('name')}>
        <Checkbox
          size="xs"
          aria-label="Choose all"
          checked={chosen === 'all'}
          indeterminate={chosen === 'some'}
          onChange={(event) => onChooseAll(event.currentTarget.checked)}
        />
        <button type="button" onClick={() => sortBy('name')}>
          {lines}
        </button>
      </span>
      {columns.map(({ trait, words, unit, kind }) => (
        <span
          key={trait}
          role="columnheader"
          aria-sort={sortedBy(trait)}
          className={clsx(
            kind === 'number' && styles['number'],
            trait === 'soundSet' && styles['words'],
            planned === trait && styles['planned'],
          )}
        >
          <button type="button" onClick={() => sortBy(trait)}>
            {words}
            {unit && <em> {unit}</em>}
          </button>
        </span>
      ))}
    </div>
  );
}
