import { heldUnder, itemAt } from '../../../core/lists/index.ts';
import { TextInput } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Facet } from '../../../core/inspect/index.ts';
import { placeNow } from '../../api/address.ts';
import { useFindingsByBlock, useMod, useSession } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { Pips } from '../../parts/pips.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { shelfGroups, type ShelfBlock } from '../blocks/groups.ts';

type Line = { kind: 'group'; title: string; many: number } | ({ kind: 'block' } & ShelfBlock);

/** The shelf beside the bench: all blocks by group. Only what is in sight is laid out. */
export function ShelfList({ current, facet }: { current: string; facet: Facet }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindingsByBlock();
  const [filter, setFilter] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const lines = useMemo(
    () =>
      shelfGroups(mod, filter).flatMap((group): Line[] => [
        { kind: 'group', title: group.title, many: group.blocks.length },
        ...group.blocks.map((block) => ({ kind: 'block' as const, ...block })),
      ]),
    [mod, filter],
  );
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => (itemAt(lines, i).kind === 'group' ? 30 : 44),
    overscan: 8,
  });
  const address = (name: string) => `/m/${session.name}/blocks/${name}/${facet.toLowerCase()}`;
  const step = (by: number) => {
    const blocks = lines.filter((line) => line.kind === 'block');
    const here = placeNow();
    const next = blocks[blocks.findIndex((line) => line.name === (here.block ?? current)) + by];
    if (next)
      void navigate(
        `/m/${session.name}/blocks/${next.name}/${(here.facet ?? facet).toLowerCase()}`,
      );
  };
  useHotkeys([
    ['ArrowDown', () => step(1)],
    ['ArrowUp', () => step(-1)],
    ['/', () => field.current?.focus()],
  ]);
  const at = lines.findIndex((line) => line.kind === 'block' && line.name === current);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' });
    // Only a change of block moves the shelf, not every edit.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [current]);
  return (
    <aside aria-label="Shelf">
      <TextInput
        ref={field}
        className="q"
        placeholder="Filter blocks"
        aria-label="Filter blocks"
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <div className="shelf-list" ref={scroller}>
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ index, start, size }) => {
            const line = itemAt(lines, index);
            return (
              <div
                key={line.kind === 'group' ? `group ${line.title}` : line.name}
                style={{ position: 'absolute', top: start, left: 0, right: 0, height: size }}
              >
                {line.kind === 'group' ? (
                  <h4>
                    {line.title}
                    <span>{line.many}</span>
                  </h4>
                ) : (
                  <Link
                    to={address(line.name)}
                    className={`shelf-row${line.name === current ? ' on' : ''}`}
                    aria-current={line.name === current ? 'page' : undefined}
                    title={line.id}
                  >
                    <Rendering
                      block={line.name}
                      state={defaultStateOf(mod, line.name)}
                      size={34}
                      fills
                    />
                    <span>
                      <b>{line.title}</b>
                      <Pips
                        stations={stationsOf(
                          heldUnder(mod.blocks, line.name),
                          findings.get(line.name) ?? [],
                        )}
                      />
                    </span>
                  </Link>
                )}
              </div>
            );
          })}
        </div>
        {lines.length === 0 && (
          <p className="note" style={{ padding: '8px 14px' }}>
            No block matches.
          </p>
        )}
      </div>
    </aside>
  );
}
