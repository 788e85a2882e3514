import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { useAccepts } from '../../../api/making.ts';
import { ItemIcon } from '../../../parts/item.tsx';
import styles from './recipes.module.css';

const mostShown = 240;

/**
 * Everything that can be taken, to be dragged into a place or put into the chosen one by a click.
 */
export function Shelf({
  options,
  onChoose,
}: {
  options: { value: string; label: string }[];
  onChoose: (id: string) => void;
}) {
  const [filter, setFilter] = useState('');
  const accepts = useAccepts();
  const wanted = filter.trim().toLowerCase();
  const shown = options.filter(
    ({ value, label }) => value.includes(wanted) || label.toLowerCase().includes(wanted),
  );
  return (
    <aside className={styles['recipe-shelf']} aria-label="Shelf">
      <TextInput
        placeholder="Filter the shelf"
        aria-label="Filter the shelf of items"
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <div className={styles['goods']}>
        {shown.slice(0, mostShown).map(({ value, label }) => {
          const tag = value.startsWith('#');
          const icon = tag
            ? ([...accepts(value)].find((one) => !one.startsWith('#')) ?? '')
            : value;
          return (
            <button
              key={value}
              type="button"
              draggable
              title={`${label} ${value}`}
              onDragStart={(event) => event.dataTransfer.setData('text/plain', value)}
              onClick={() => onChoose(value)}
            >
              <ItemIcon id={icon} size={30} />
              <span className={styles['good']}>{label}</span>
              {tag && <b>#</b>}
            </button>
          );
        })}
      </div>
      {shown.length > mostShown && (
        <p className="note">and {shown.length - mostShown} more: filter to see them.</p>
      )}
      {!shown.length && <p className="note">Nothing matches “{filter}”.</p>}
    </aside>
  );
}
