import { itemAt } from '../../../core/lists/index.ts';
import { TextInput } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useLocalStorage } from '@mantine/hooks';
import { codesOf, idOf, registered, type Registered } from '../../../core/mod/index.ts';
import { resolveBlocks } from '../../../core/mod/index.ts';
import type { CodeLayout } from '../../../core/states/index.ts';
import { count } from '../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { ItemIcon, itemTitle } from '../../parts/item.tsx';
import { DataTabs } from './data-tabs.tsx';
import { Found } from './found.tsx';
import { ReleasePanel } from './release-panel.tsx';

const rowHeight = 34;
const collator = new Intl.Collator('en', { numeric: true });
type By = 'order' | 'number' | 'name';

/**
 * The ledger: what is registered under which number, how its states are stored, what is retired,
 * and what players have.
 */
export function Registry() {
  const mod = useMod();
  const session = useSession();
  const findings = useFindings() ?? [];
  const [filter, setFilter] = useState('');
  const [by, setBy] = useLocalStorage<By>({
    key: 'obrank.registry.sort',
    defaultValue: 'order',
    getInitialValueInEffect: false,
  });
  const scroller = useRef<HTMLDivElement>(null);
  const { header, ledger } = mod;
  const spaces = useMemo(
    () => new Map(resolveBlocks(mod).map((block) => [block.name, block.space])),
    [mod],
  );
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const rank = (kind: Registered) => registered.indexOf(kind);
    return ledger.entries
      .filter(
        (entry) =>
          entry.name.includes(wanted) ||
          String(entry.number) === wanted ||
          entry.formerly?.some((name) => name.includes(wanted)),
      )
      .sort((a, b) =>
        by === 'name'
          ? collator.compare(a.name, b.name)
          : by === 'number'
            ? a.number - b.number
            : rank(a.kind) - rank(b.kind) || a.number - b.number,
      );
  }, [ledger, filter, by]);
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const counts = registered.map((kind) =>
    count(ledger.entries.filter((entry) => entry.kind === kind).length, kind),
  );
  const to = (kind: Registered, name: string) =>
    `/m/${session.name}/${kind === 'block' ? `blocks/${name}/registry` : kind === 'item' ? `data/items/${name}` : 'data/groups'}`;
  const sorted = (key: By) => (by === key ? 'ascending' : 'none');
  return (
    <div className="data-page">
      <DataTabs />
      <div className="tag-page registry">
        <div
          style={{
            display: 'grid',
            gridTemplateRows: 'auto auto minmax(0, 1fr)',
            minHeight: 0,
            minWidth: 0,
          }}
        >
          <div className="bulk-bar" style={{ borderTop: 0, borderBottom: '1px solid var(--line)' }}>
            <TextInput
              placeholder="Filter by name or number"
              aria-label="Filter the registry"
              w={190}
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
            <span className="note">
              {counts.join(', ')}; {count(ledger.retired.length, 'number')} retired
            </span>
          </div>
          <div style={{ padding: '0 20px' }}>
            <Found findings={findings.filter(({ rule }) => rule.startsWith('registry/'))} />
          </div>
          <div
            className="trait-scroll"
            ref={scroller}
            role="table"
            aria-label="Registry"
            aria-rowcount={shown.length + 1}
          >
            <div className="ledger-line head" role="row">
              <span role="columnheader" aria-sort={sorted('number')}>
                <button type="button" onClick={() => setBy('number')}>
                  number
                </button>
              </span>
              <span role="columnheader" aria-sort={sorted('order')}>
                <button
                  type="button"
                  title="In the order of registering: groups, blocks, items"
                  onClick={() => setBy('order')}
                >
                  kind
                </button>
              </span>
              <span role="columnheader" aria-sort={sorted('name')}>
                <button type="button" onClick={() => setBy('name')}>
                  id
                </button>
              </span>
              <span role="columnheader">states</span>
              <span role="columnheader">codes</span>
              <span role="columnheader">formerly</span>
            </div>
            <div style={{ position: 'relative', height: rows.getTotalSize() }}>
              {rows.getVirtualItems().map((item) => {
                const { number, kind, name, formerly } = itemAt(shown, item.index);
                const space = kind === 'block' ? spaces.get(name) : undefined;
                const codes = space && codesOf(ledger, name, space);
                const icon =
                  kind === 'group'
                    ? header.groups.find((group) => group.name === name)?.icon
                    : idOf(header.namespace, name);
                return (
                  <div
                    key={`${kind} ${name} ${number}`}
                    className="ledger-line"
                    role="row"
                    aria-rowindex={item.index + 2}
                    style={{ top: item.start }}
                  >
                    <span role="cell" className="mono">
                      {number}
                    </span>
                    <span role="cell" className="soft">
                      {kind}
                    </span>
                    <span role="rowheader">
                      {icon === undefined ? <i /> : <ItemIcon id={icon} size={24} />}
                      <Link to={to(kind, name)} className="mono">
                        {kind === 'group' ? name : idOf(header.namespace, name)}
                      </Link>
                    </span>
                    <span role="cell" className="mono">
                      {space ? space.trueSize.toLocaleString('en') : ''}
                    </span>
                    <span role="cell" className="mono soft">
                      {space && codes ? codesInWords(codes, space.trueSize) : ''}
                    </span>
                    <span role="cell" className="mono soft">
                      {formerly?.join(', ')}
                    </span>
                  </div>
                );
              })}
            </div>
          </div>
        </div>
        <aside className="tag-side" aria-label="Releases">
          <ReleasePanel />
          <Retired />
        </aside>
      </div>
    </div>
  );
}

/** Numbers that are never given again, with what stands in old worlds in their place. */
function Retired() {
  const mod = useMod();
  const session = useSession();
  const { retired } = mod.ledger;
  const options = [...Object.keys(mod.blocks), ...Object.keys(mod.items)]
    .sort()
    .map((name) => idOf(mod.header.namespace, name));
  return (
    <>
      <h2 className="part">Retired</h2>
      {!retired.length && (
        <p className="note" style={{ margin: 0 }}>
          Nothing yet. What is removed keeps its number here, so that it never comes back as
          something else.
        </p>
      )}
      {retired.map(({ number, kind, name, successor, lost }, i) => (
        <div key={number} className="retired">
          <span>
            <span className="mono">{number}</span> {kind} <b>{name}</b>
          </span>
          <select
            className="pick"
            aria-label={`What stands for ${name}`}
            value={successor ?? (lost ? 'nothing' : '')}
            onChange={(event) => {
              const { value } = event.currentTarget;
              session.edit(`Say what stands for ${name}`, [
                {
                  path: `/ledger/retired/${i}`,
                  before: retired[i],
                  after: {
                    ...Object.fromEntries(
                      Object.entries(itemAt(retired, i)).filter(
                        ([key]) => key !== 'successor' && key !== 'lost',
                      ),
                    ),
                    ...(value === 'nothing' ? { lost: true } : value ? { successor: value } : {}),
                  },
                },
              ]);
            }}
          >
            <option value="">not said</option>
            <option value="nothing">nothing, on purpose</option>
            {[...new Set([...options, ...(successor ? [successor] : [])])].map((id) => (
              <option key={id} value={id}>
                {itemTitle(mod, id)}
              </option>
            ))}
          </select>
        </div>
      ))}
    </>
  );
}

/** How the states of a block are stored: `0–23, 5 bits`. */
function codesInWords({ kind, bits }: CodeLayout, states: number): string {
  if (states === 1) return '0';
  const last = Math.min(2 ** bits, states) - 1;
  const how = kind === 'mixed-radix' ? `0–${last}` : kind === 'table' ? 'table' : 'fields';
  return `${how}, ${bits} bits`;
}
