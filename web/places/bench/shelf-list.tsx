import clsx from 'clsx';
import { itemAt } from '../../../core/lists/index.ts';
import { TextInput } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Facet, Finding } from '../../../core/inspect/index.ts';
import { shownNamed } from '../../../core/mod/index.ts';
import { benchPath, placeNow } from '../../api/address.ts';
import { useFindingsByBlock, useMod, useSession } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { Pips } from '../../parts/pips.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { shelfGroups, type ShelfBlock } from '../blocks/groups.ts';
import { focusMade } from '../../parts/keys/focus-made.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import frame from '../../parts/desk-frame.module.css';
import styles from './shelf-list.module.css';

type Line = { kind: 'group'; title: string; many: number } | ({ kind: 'block' } & ShelfBlock);

interface ShelfProps {
  current: string;
  facet: Facet;
}

/** The heights of a group's title and of a block, in pixels. */
const [titleHeight, blockHeight] = [30, 44];

/** The shelf beside the bench: all blocks by group. Only what is in sight is laid out. */
export function ShelfList({ current, facet }: ShelfProps) {
  const mod = useMod();
  const [filter, setFilter] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const lines = useMemo(
    () =>
      shelfGroups(mod, filter).flatMap((group): Line[] => [
        { kind: 'group', title: group.title, many: group.blocks.length },
        ...group.blocks.map((block) => ({ kind: 'block' as const, ...block })),
      ]),
    [mod, filter],
  );
  useSteps(lines, current, facet);
  useKeys({ filter: () => field.current?.focus() });
  return (
    <aside aria-label="Shelf" className={frame['aside']}>
      <TextInput
        ref={field}
        className={styles['q']}
        placeholder="Filter blocks"
        aria-label="Filter blocks"
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <Lines lines={lines} current={current} facet={facet} />
    </aside>
  );
}

/** Goes to the block above or below, by the arrow keys. */
function useSteps(lines: readonly Line[], current: string, facet: Facet): void {
  const session = useSession();
  const navigate = useNavigate();
  const step = (by: number) => {
    const blocks = lines.filter((line) => line.kind === 'block');
    const here = placeNow();
    const next = blocks[blocks.findIndex(({ name }) => name === (here.block ?? current)) + by];
    const shown = (here.facet ?? facet).toLowerCase();
    if (!next) return;
    const isInShelf = document.activeElement?.closest('[data-shelf]') !== null;
    void navigate(`/m/${session.name}/${benchPath(next.name, shown)}`);
    if (isInShelf) focusMade(`[data-shelf-block="${next.name}"]`);
  };
  useKeys({ nextBlock: () => step(1), previousBlock: () => step(-1) });
}

function Lines({ lines, current, facet }: ShelfProps & { lines: readonly Line[] }) {
  const findings = useFindingsByBlock();
  const scroller = useRef<HTMLDivElement>(null);
  const track = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => (itemAt(lines, i).kind === 'group' ? titleHeight : blockHeight),
    overscan: 8,
  });
  const index = lines.findIndex((line) => line.kind === 'block' && line.name === current);
  const tabStop = lines[index === -1 ? lines.findIndex(({ kind }) => kind === 'block') : index];
  useEffect(() => {
    if (index >= 0) track.scrollToIndex(index, { align: 'auto' });
    // Only a change of block moves the shelf, not every edit.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [current]);
  return (
    <div className={styles['shelf-list']} ref={scroller} data-shelf>
      <div className={styles['shelf-track']} style={{ height: track.getTotalSize() }}>
        {track.getVirtualItems().map((item) => {
          const line = itemAt(lines, item.index);
          return (
            <div
              key={line.kind === 'group' ? `group ${line.title}` : line.name}
              className={styles['shelf-line']}
              style={{ top: item.start, height: item.size }}
            >
              {line.kind === 'group' ? (
                <h4 className={frame['group']}>
                  {line.title}
                  <span>{line.many}</span>
                </h4>
              ) : (
                <BlockLink
                  line={line}
                  isCurrent={line.name === current}
                  isTabStop={line === tabStop}
                  facet={facet}
                  findings={findings.get(line.name) ?? []}
                />
              )}
            </div>
          );
        })}
      </div>
      {lines.length === 0 && (
        <p className={clsx('note', styles['shelf-bare'])}>No block matches.</p>
      )}
    </div>
  );
}

interface BlockLinkProps {
  line: ShelfBlock;
  isCurrent: boolean;
  /** The shelf is one stop of the tab key: the arrows go through it. */
  isTabStop: boolean;
  facet: Facet;
  findings: readonly Finding[];
}

function BlockLink({ line, isCurrent, isTabStop, facet, findings }: BlockLinkProps) {
  const { name, id, title } = line;
  const mod = useMod();
  const session = useSession();
  const declared = shownNamed(mod, name);
  return (
    <Link
      to={`/m/${session.name}/${benchPath(name, facet)}`}
      className={clsx(styles['shelf-row'], isCurrent && styles['on'])}
      aria-current={isCurrent ? 'page' : undefined}
      data-shelf-block={name}
      tabIndex={isTabStop ? 0 : -1}
      title={id}
    >
      <Rendering block={name} state={defaultStateOf(mod, name)} size={34} fills />
      <span>
        <b>{title}</b>
        {declared && <Pips stations={stationsOf(mod, name, declared, findings)} />}
      </span>
    </Link>
  );
}
