import { itemAt } from '../../../core/lists/index.ts';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import {
  circleProblem,
  directMembers,
  membersOf,
  needsOf,
  toggleMember,
  type Who,
} from '../../../core/tags/index.ts';
import {
  lookUp,
  idOf,
  ownName,
  resolveBlocks,
  titleOf,
  type Mod,
  type TagKind,
} from '../../../core/mod/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { ItemIcon } from '../../parts/item.tsx';

const rowHeight = 32;
const headHeight = 132;

/** One line of the matrix: something that can be in tags, or a tag that can be in other tags. */
interface Entry extends Who {
  key: string;
  id: string;
  title: string;
}

/**
 * What stands in a cell: in the tag outright, through another tag, asked for by a trait, or not
 * allowed since it would close a circle.
 */
type Mark = 'in' | 'through' | 'wanted' | 'no' | '';

/** Entries by tags: a mark where one is in the other, to be set with the mouse or with keys. */
export function TagMatrix({
  mod,
  kind,
  tags,
  filter,
  open,
  onOpen,
}: {
  mod: Mod;
  kind: TagKind;
  tags: readonly string[];
  filter: string;
  open: string | undefined;
  onOpen: (tag: string) => void;
}) {
  const session = useSession();
  const scroller = useRef<HTMLDivElement>(null);
  const [cursor, setCursor] = useState({ row: 0, column: 0 });
  const { namespace } = mod.header;
  const direct = useMemo(() => directMembers(mod, kind), [mod, kind]);
  const all = useMemo(() => membersOf(mod, kind), [mod, kind]);
  const needs = useMemo(() => needsOf(mod, kind), [mod, kind]);
  const entries = useMemo((): Entry[] => {
    const wanted = filter.trim().toLowerCase();
    const blocks = Object.entries(mod.blocks)
      .filter(([, block]) => kind === 'blockTags' || (block.identity.item ?? 'none') !== 'none')
      .map(([name, block]): Entry => ({
        key: `blocks ${name}`,
        what: 'blocks',
        name,
        id: idOf(namespace, name),
        title: titleOf(mod, name, block.names),
      }));
    const items =
      kind === 'blockTags'
        ? []
        : Object.entries(mod.items).map(([name, item]): Entry => ({
            key: `items ${name}`,
            what: 'items',
            name,
            id: idOf(namespace, name),
            title: titleOf(mod, name, item.names),
          }));
    const own = tags
      .filter((tag) => ownName(namespace, tag) !== undefined)
      .map((tag): Entry => ({
        key: `tag ${tag}`,
        what: 'tag',
        name: ownName(namespace, tag)!,
        id: tag,
        title: `#${tag.slice(namespace.length + 1)}`,
      }));
    return [
      ...[...items, ...blocks].sort((a, b) => a.title.localeCompare(b.title, 'en')),
      ...own,
    ].filter(({ id, title }) => id.includes(wanted) || title.toLowerCase().includes(wanted));
  }, [mod, kind, tags, filter, namespace]);
  // What a trait asks for: a block that is dug with a pick belongs into the tag of the pick.
  const wantedTag = useMemo(
    () =>
      new Map(
        kind === 'blockTags'
          ? resolveBlocks(mod).map(
              ({ id, traits }) =>
                [
                  id,
                  traits.toolKind === 'none'
                    ? undefined
                    : mod.header.tools.kinds[traits.toolKind]?.tag,
                ] as const,
            )
          : [],
      ),
    [mod, kind],
  );
  const rows = useVirtualizer({
    count: entries.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
    scrollPaddingStart: headHeight,
  });
  const markOf = (entry: Entry, tag: string): Mark => {
    const member = entry.what === 'tag' ? `#${entry.id}` : entry.id;
    if (direct.get(tag)?.has(member)) return 'in';
    if (entry.what === 'tag')
      return ownName(namespace, tag) === undefined || circleProblem(mod, kind, tag, entry.id)
        ? 'no'
        : '';
    return all.get(tag)?.has(member) ? 'through' : wantedTag.get(entry.id) === tag ? 'wanted' : '';
  };
  const toggle = (row: number, column: number) => {
    const entry = entries[row];
    const tag = tags[column];
    setCursor({ row, column });
    if (!entry || tag === undefined || markOf(entry, tag) === 'no') return;
    const inIt = direct.get(tag)?.has(entry.what === 'tag' ? `#${entry.id}` : entry.id);
    session.edit(
      inIt ? `Take ${entry.title} out of ${tag}` : `Put ${entry.title} into ${tag}`,
      toggleMember(session.view.mod, kind, entry, tag),
    );
  };
  const latest = useRef(toggle);
  latest.current = toggle;
  const press = useCallback((row: number, column: number) => latest.current(row, column), []);
  const go = (row: number, column: number) => {
    const next = {
      row: Math.max(0, Math.min(entries.length - 1, row)),
      column: Math.max(0, Math.min(tags.length - 1, column)),
    };
    setCursor(next);
    rows.scrollToIndex(next.row, { align: 'auto' });
  };
  const keys = (event: KeyboardEvent) => {
    if (event.target !== scroller.current) return;
    const { row, column } = cursor;
    const acts: Record<string, () => void> = {
      ArrowUp: () => go(row - 1, column),
      ArrowDown: () => go(row + 1, column),
      ArrowLeft: () => go(row, column - 1),
      ArrowRight: () => go(row, column + 1),
      PageUp: () => go(row - 12, column),
      PageDown: () => go(row + 12, column),
      Home: () => go(row, 0),
      End: () => go(row, tags.length - 1),
      ' ': () => toggle(row, column),
      Enter: () => tags[column] && onOpen(tags[column]),
    };
    const act = lookUp(acts, event.key);
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <div
      className="tag-scroll"
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label={kind === 'blockTags' ? 'Blocks by tags' : 'Items by tags'}
      aria-rowcount={entries.length + 1}
      aria-colcount={tags.length + 1}
      aria-activedescendant={`tag-${cursor.row}-${cursor.column}`}
      onKeyDown={keys}
    >
      <div className="tag-grid" style={{ height: rows.getTotalSize() + headHeight }}>
        <div className="line head" role="row">
          <span className="name" role="columnheader">
            {entries.filter((entry) => entry.what !== 'tag').length}{' '}
            {kind === 'blockTags' ? 'blocks' : 'items'}
          </span>
          {tags.map((tag) => {
            const own = ownName(namespace, tag);
            const asked = needs
              .get(tag)
              ?.map(({ what, name }) => `${what} ${name}`)
              .join(', ');
            return (
              <button
                key={tag}
                type="button"
                role="columnheader"
                className={own === undefined ? 'tag-head other' : 'tag-head'}
                aria-pressed={open === tag}
                title={`${tag}${asked ? `, needed by ${asked}` : ''}`}
                onClick={() => onOpen(tag)}
              >
                <span>{own ?? tag}</span>
                <em>
                  {all.get(tag)?.size ?? 0}
                  {asked ? ' ●' : ''}
                </em>
              </button>
            );
          })}
        </div>
        {rows.getVirtualItems().map((item) => {
          const entry = itemAt(entries, item.index);
          return (
            <Line
              key={entry.key}
              entry={entry}
              row={item.index}
              top={item.start + headHeight}
              marks={tags.map((tag) => markOf(entry, tag)).join()}
              tags={tags}
              open={open}
              cursor={cursor.row === item.index ? cursor.column : -1}
              press={press}
            />
          );
        })}
      </div>
    </div>
  );
}

const says: Record<Mark, string> = {
  in: 'in it',
  through: 'in it through another tag',
  wanted: 'a trait asks for it',
  no: 'would close a circle',
  '': 'not in it',
};

/** One entry with its marks. It stays as it is while nothing of it changes. */
const Line = memo(function Line({
  entry,
  row,
  top,
  marks,
  tags,
  open,
  cursor,
  press,
}: {
  entry: Entry;
  row: number;
  top: number;
  marks: string;
  tags: readonly string[];
  open: string | undefined;
  cursor: number;
  press: (row: number, column: number) => void;
}) {
  return (
    <div
      className={entry.what === 'tag' ? 'line tag-row' : 'line'}
      role="row"
      aria-rowindex={row + 2}
      style={{ top }}
    >
      <span className="name" role="rowheader" title={entry.id}>
        {entry.what !== 'tag' && <ItemIcon id={entry.id} size={24} />}
        <b>{entry.title}</b>
      </span>
      {(marks.split(',') as Mark[]).map((mark, column) => (
        <span
          key={tags[column]}
          id={`tag-${row}-${column}`}
          role="gridcell"
          aria-label={`${entry.title} and ${tags[column]}: ${says[mark]}`}
          aria-selected={mark === 'in'}
          title={`${tags[column]}: ${says[mark]}`}
          className={
            'tag-cell ' +
            `${mark}${tags[column] === open ? ' open' : ''}${cursor === column ? ' cursor' : ''}`
          }
          onClick={() => press(row, column)}
        >
          <i />
        </span>
      ))}
    </div>
  );
});
