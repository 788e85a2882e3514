import { useMemo, type DragEvent, type KeyboardEvent } from 'react';
import { lookUp, idOf } from '../../../../core/mod/index.ts';
import { directMembers } from '../../../../core/tags/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { useAccepts } from '../../../api/making.ts';
import { ItemIcon, itemTitle, useItemOptions } from '../../../parts/item.tsx';

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
  wide: number;
  cursor: number;
  onCursor: (at: number) => void;
  onFill: (at: number, ingredient: string | undefined) => void;
  onDrop: (event: DragEvent, at: number) => void;
  label: string;
}

/** The places of a recipe: filled by dragging from the shelf or by typing, walked with the arrow keys. */
export function Slots({ slots, wide, cursor, onCursor, onFill, onDrop, label }: Props) {
  const mod = useMod();
  const accepts = useAccepts();
  // What is typed over a place is the beginning of a name: it goes on in the field, whose old text it takes the place of.
  const type = () => {
    const field = document.querySelector<HTMLInputElement>('.slot-field input');
    field?.focus();
    field?.select();
  };
  const keys = (event: KeyboardEvent) => {
    const go = (to: number) => onCursor(Math.max(0, Math.min(slots.length - 1, to)));
    const acts: Record<string, () => void> = {
      ArrowLeft: () => go(cursor - 1),
      ArrowRight: () => go(cursor + 1),
      ArrowUp: () => cursor >= wide && go(cursor - wide),
      ArrowDown: () => cursor + wide < slots.length && go(cursor + wide),
      Delete: () => onFill(cursor, undefined),
      Backspace: () => onFill(cursor, undefined),
      Enter: type,
      ' ': type,
    };
    const act = lookUp(acts, event.key);
    if (act) {
      event.preventDefault();
      act();
    } else if (/^[a-z#]$/i.test(event.key) && !event.ctrlKey && !event.metaKey) type();
  };
  return (
    <div
      className="slots"
      role="grid"
      tabIndex={0}
      aria-label={label}
      aria-activedescendant={`slot-${cursor}`}
      style={{ gridTemplateColumns: `repeat(${wide}, 54px)` }}
      onKeyDown={keys}
    >
      {slots.map(({ ingredient }, i) => {
        const members = ingredient?.startsWith('#')
          ? [...accepts(ingredient)].filter((one) => !one.startsWith('#'))
          : [];
        const icon = ingredient?.startsWith('#') ? (members[0] ?? '') : ingredient;
        const words =
          ingredient === undefined
            ? 'empty'
            : `${itemTitle(mod, ingredient)}${members.length ? `: any of ${members.length}` : ''}`;
        return (
          <div
            key={i}
            id={`slot-${i}`}
            role="gridcell"
            aria-label={words}
            title={words}
            aria-selected={i === cursor}
            className={`slot${i === cursor ? ' cursor' : ''}${ingredient === undefined ? ' vacant' : ''}`}
            draggable={ingredient !== undefined}
            onClick={() => onCursor(i)}
            onDoubleClick={type}
            onContextMenu={(event) => {
              event.preventDefault();
              onFill(i, undefined);
            }}
            onDragStart={(event) => event.dataTransfer.setData('text/plain', ingredient!)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => onDrop(event, i)}
          >
            {icon !== undefined && <ItemIcon id={icon} size={40} />}
            {ingredient?.startsWith('#') && <b>#{members.length}</b>}
          </div>
        );
      })}
    </div>
  );
}
