import { useMemo, type DragEvent, type KeyboardEvent, type ReactNode } from 'react';
import { idOf } from '../../../../core/mod/index.ts';
import { directMembers } from '../../../../core/tags/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { useAccepts } from '../../../api/making.ts';
import { ItemIcon, itemTitle, useItemOptions } from '../../../parts/item.tsx';
import { planView, type PlanView } from './plan-view.ts';
import { actOnKey, isCommand } from '../../../parts/keys/act-on-key.ts';
import { cellAfter } from '../../../parts/grid/moves.ts';
import styles from './slots.module.css';

/** A place of a recipe: an item, a tag with a leading #, or nothing. */
export interface Slot {
  ingredient: string | undefined;
}

/** Everything that a place may take: the tags of items, and items. */
export function useIngredientOptions(): { value: string; label: string }[] {
  const mod = useMod();
  const items = useItemOptions();
  return useMemo(() => {
    const tags = new Set([
      ...directMembers(mod, 'itemTags').keys(),
      ...Object.keys(mod.itemTags).map((name) => idOf(mod.header.namespace, name)),
    ]);
    return [
      ...[...tags].sort().map((tag) => ({
        value: `#${tag}`,
        label: `#${tag.startsWith(`${mod.header.namespace}:`) ? tag.slice(mod.header.namespace.length + 1) : tag}`,
      })),
      ...items,
    ];
  }, [mod, items]);
}

interface Props {
  slots: readonly Slot[];
  columns: number;
  cursor: number;
  onCursor: (index: number) => void;
  onFill: (index: number, ingredient: string | undefined) => void;
  onDrop: (event: DragEvent, index: number) => void;
  label: string;
  /** What grows the plan, beside its right and its left lower edge. */
  growColumns?: ReactNode;
  growRows?: ReactNode;
}

/**
 * What is typed over a place is the beginning of a name: it goes on in the field, whose old text it
 * takes the place of.
 */
function typeOn(): void {
  const field = document.querySelector<HTMLInputElement>('#slot-field input');
  field?.focus();
  field?.select();
}

/**
 * The places of a recipe as a plan seen at an angle: filled by dragging from the shelf or by
 * typing, walked with the arrow keys.
 */
export function Slots({
  slots,
  columns,
  cursor,
  onCursor,
  onFill,
  onDrop,
  label,
  growColumns,
  growRows,
}: Props) {
  const rows = Math.ceil(slots.length / columns);
  const view = planView(columns, rows);
  const pressKey = (event: KeyboardEvent) => {
    const go = (to: number) => onCursor(Math.max(0, Math.min(slots.length - 1, to)));
    const from = { row: Math.floor(cursor / columns), column: cursor % columns };
    const next = cellAfter(event, from, { rows, columns }, rows);
    actOnKey(event, {
      ...(next && { move: () => go(next.row * columns + next.column) }),
      fillPlace: typeOn,
      emptyPlace: () => onFill(cursor, undefined),
    });
    if (/^[a-z#]$/i.test(event.key) && !isCommand(event)) typeOn();
  };
  return (
    <div className={styles['plan']} style={view.size}>
      <div
        id="slots"
        className={styles['places']}
        role="grid"
        tabIndex={0}
        aria-label={label}
        aria-activedescendant={`slot-${cursor}`}
        onKeyDown={pressKey}
      >
        {Array.from({ length: rows }, (_, row) => (
          <div key={row} role="row" className={styles['places-row']}>
            {slots.slice(row * columns, (row + 1) * columns).map(({ ingredient }, column) => (
              <Place
                key={column}
                index={row * columns + column}
                chosen={row * columns + column === cursor}
                {...{ ingredient, view, column, row, onFill, onDrop }}
                onChoose={onCursor}
              />
            ))}
          </div>
        ))}
      </div>
      <span className={styles['grow']} style={view.middleOf(columns, (rows - 1) / 2)}>
        {growColumns}
      </span>
      <span className={styles['grow']} style={view.middleOf((columns - 1) / 2, rows)}>
        {growRows}
      </span>
    </div>
  );
}

/** One place: a tile of the plan with what is laid on it standing upright. */
function Place({
  index,
  ingredient,
  view: { half, middleOf },
  column,
  row,
  chosen,
  onChoose,
  onFill,
  onDrop,
}: {
  index: number;
  ingredient: string | undefined;
  view: PlanView;
  column: number;
  row: number;
  chosen: boolean;
  onChoose: (index: number) => void;
  onFill: (index: number, ingredient: string | undefined) => void;
  onDrop: (event: DragEvent, index: number) => void;
}) {
  const mod = useMod();
  const accepts = useAccepts();
  const isTag = ingredient?.startsWith('#') === true;
  const members = isTag ? [...accepts(ingredient)].filter((id) => !id.startsWith('#')) : [];
  const icon = isTag ? (members[0] ?? '') : ingredient;
  const any = members.length ? `: any of ${members.length}` : '';
  const words = ingredient === undefined ? 'empty' : `${itemTitle(mod, ingredient)}${any}`;
  return (
    <div
      id={`slot-${index}`}
      role="gridcell"
      aria-label={words}
      title={words}
      aria-selected={chosen}
      className={styles[ingredient === undefined ? 'vacant' : 'filled']}
      style={{ ...middleOf(column, row), width: 2 * half.width, height: 2 * half.height }}
      draggable={ingredient !== undefined}
      onClick={() => onChoose(index)}
      onDoubleClick={typeOn}
      onContextMenu={(event) => {
        event.preventDefault();
        onFill(index, undefined);
      }}
      onDragStart={(event) => event.dataTransfer.setData('text/plain', ingredient ?? '')}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => onDrop(event, index)}
    >
      <i className={styles['tile']} />
      {icon !== undefined && (
        <span className={styles['standing']}>
          <ItemIcon id={icon} size={Math.round(half.width * 0.92)} />
        </span>
      )}
      {isTag && <b>#{members.length}</b>}
    </div>
  );
}
