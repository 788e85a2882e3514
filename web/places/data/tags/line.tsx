import clsx from 'clsx';
import { memo } from 'react';
import type { TagEntry, TagMark } from '../../../../core/tags/index.ts';
import { ItemIcon } from '../../../parts/item.tsx';
import styles from './tags.module.css';

const markWords: Record<TagMark, string> = {
  in: 'in it',
  through: 'in it through another tag',
  wanted: 'a trait asks for it',
  no: 'would close a circle',
  '': 'not in it',
};

interface LineProps {
  entry: TagEntry;
  row: number;
  top: number;
  /** The marks of the line, with commas between: a text, so that equal ones are the same. */
  marks: string;
  tags: readonly string[];
  open: string | undefined;
  /** The column of the cursor; −1 while it is on another line. */
  cursor: number;
  press: (row: number, column: number) => void;
}

/** One entry with its marks. It stays as it is while nothing of it changes. */
export const Line = memo(function Line(props: LineProps) {
  const { entry, row, top, marks, tags, open, cursor, press } = props;
  return (
    <div
      className={entry.what === 'tag' ? clsx(styles['line'], styles['tag-row']) : styles['line']}
      role="row"
      aria-rowindex={row + 2}
      style={{ top }}
    >
      <span className={styles['name']} role="rowheader" title={entry.id}>
        {entry.what !== 'tag' && <ItemIcon id={entry.id} size={24} />}
        <b>{entry.title}</b>
      </span>
      {(marks.split(',') as TagMark[]).map((mark, column) => {
        const tag = tags[column] ?? '';
        const isOpen = tag === open;
        return (
          <span
            key={tag}
            id={`tag-${row}-${column}`}
            role="gridcell"
            aria-label={`${entry.title} and ${tag}: ${markWords[mark]}`}
            aria-selected={mark === 'in'}
            title={`${tag}: ${markWords[mark]}`}
            className={clsx(
              styles['tag-cell'],
              styles[mark],
              isOpen && styles['open'],
              cursor === column && styles['cursor'],
            )}
            onClick={() => press(row, column)}
          >
            <i />
          </span>
        );
      })}
    </div>
  );
});
