import clsx from 'clsx';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import { ownName, type Mod, type TagKind } from '../../../../core/mod/index.ts';
import {
  membersOf,
  needsOf,
  tagEntries,
  tagMarks,
  toggleMember,
} from '../../../../core/tags/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { actOnKey } from '../../../parts/keys/act-on-key.ts';
import { cellAfter, type GridCell } from '../../../parts/grid/moves.ts';
import { useLines } from '../../../parts/grid/use-lines.ts';
import { useStable } from '../../../parts/use-stable.ts';
import { Line } from './line.tsx';
import pageStyles from '../page.module.css';
import styles from './tags.module.css';

const lineHeight = 32;
const headHeight = 132;
/** So many lines a page key goes. */
const pageLines = 12;

interface TagMatrixProps {
  mod: Mod;
  kind: TagKind;
  tags: readonly string[];
  filter: string;
  open: string | undefined;
  onOpen: (tag: string) => void;
}

/** Entries by tags: a mark where one is in the other, to be set with the mouse or with keys. */
export function TagMatrix({ mod, kind, tags, filter, open, onOpen }: TagMatrixProps) {
  const session = useSession();
  const [cursor, setCursor] = useState<GridCell>({ row: 0, column: 0 });
  const entries = useMemo(() => tagEntries(mod, kind, tags, filter), [mod, kind, tags, filter]);
  const markOf = useMemo(() => tagMarks(mod, kind), [mod, kind]);
  const { scroller, track, reveal } = useLines(entries.length, lineHeight, headHeight);
  const toggle = (row: number, column: number) => {
    const [entry, tag] = [entries[row], tags[column]];
    setCursor({ row, column });
    if (!entry || tag === undefined || markOf(entry, tag) === 'no') return;
    const isIn = markOf(entry, tag) === 'in';
    session.edit(
      isIn ? `Take ${entry.title} out of ${tag}` : `Put ${entry.title} into ${tag}`,
      toggleMember(session.view.mod, kind, entry, tag),
    );
  };
  const press = useStable(toggle);
  const onKey = (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const size = { rows: entries.length, columns: tags.length };
    const next = cellAfter(event, cursor, size, pageLines);
    const goTo = (cell: GridCell) => {
      setCursor(cell);
      reveal(cell.row);
    };
    const tag = tags[cursor.column];
    actOnKey(event, {
      ...(next && { move: () => goTo(next) }),
      choose: () => toggle(cursor.row, cursor.column),
      ...(tag !== undefined && { open: () => onOpen(tag) }),
    });
  };
  return (
    <div
      className={pageStyles['scroll']}
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label={kind === 'blockTags' ? 'Blocks by tags' : 'Items by tags'}
      aria-rowcount={entries.length + 1}
      aria-colcount={tags.length + 1}
      aria-activedescendant={`tag-${cursor.row}-${cursor.column}`}
      onKeyDown={onKey}
    >
      <div className={styles['tag-grid']} style={{ height: track.getTotalSize() + headHeight }}>
        <Head
          {...{ mod, kind, tags, open, onOpen }}
          many={entries.filter(({ what }) => what !== 'tag').length}
        />
        {track.getVirtualItems().map((item) => {
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

/** The tags at the head of their columns, each with how many are in it and who needs it. */
function Head({
  mod,
  kind,
  tags,
  open,
  onOpen,
  many,
}: Omit<TagMatrixProps, 'filter'> & { many: number }) {
  const all = useMemo(() => membersOf(mod, kind), [mod, kind]);
  const needs = useMemo(() => needsOf(mod, kind), [mod, kind]);
  return (
    <div className={clsx(styles['line'], styles['head'])} role="row">
      <span className={styles['name']} role="columnheader">
        {many} {kind === 'blockTags' ? 'blocks' : 'items'}
      </span>
      {tags.map((tag) => {
        const own = ownName(mod.header.namespace, tag);
        const needed = (needs.get(tag) ?? []).map(({ what, name }) => `${what} ${name}`).join(', ');
        return (
          <div key={tag} role="columnheader" className={styles['tag-column']}>
            <button
              type="button"
              className={
                own === undefined ? clsx(styles['tag-head'], styles['other']) : styles['tag-head']
              }
              aria-pressed={open === tag}
              title={needed ? `${tag}, needed by ${needed}` : tag}
              onClick={() => onOpen(tag)}
            >
              <span>{own ?? tag}</span>
              <em>
                {all.get(tag)?.size ?? 0}
                {needed ? ' needed' : ''}
              </em>
            </button>
          </div>
        );
      })}
    </div>
  );
}
