import { TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import { registered } from '../../../../core/mod/index.ts';
import { shownEntries, type LedgerOrder } from '../../../../core/registry/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useFindings, useModPart } from '../../../api/hooks.tsx';
import { useLines } from '../../../parts/grid/use-lines.ts';
import { DataTabs } from '../data-tabs.tsx';
import { Found } from '../found.tsx';
import { Line } from './line.tsx';
import { ReleasePanel } from './release-panel.tsx';
import { Retired } from './retired.tsx';
import styles from './registry.module.css';
import pageStyles from '../page.module.css';

const lineHeight = 34;

/**
 * The ledger: what is registered under which number, how its states are stored, what is retired,
 * and what players have.
 */
export function Registry() {
  const ledger = useModPart((mod) => mod.ledger);
  const findings = useFindings() ?? [];
  const [filter, setFilter] = useState('');
  const counts = registered.map((kind) =>
    count(ledger.entries.filter((entry) => entry.kind === kind).length, kind),
  );
  return (
    <div className={pageStyles['data-page']}>
      <DataTabs />
      <div className={pageStyles['split']}>
        <div className={styles['registry-main']}>
          <div className={clsx(pageStyles['bulk-bar'], pageStyles['texts-bar'])}>
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
          <div className={styles['registry-findings']}>
            <Found findings={findings.filter(({ rule }) => rule.startsWith('registry/'))} />
          </div>
          <Table filter={filter} />
        </div>
        <aside className={pageStyles['side']} aria-label="Releases">
          <ReleasePanel />
          <Retired />
        </aside>
      </div>
    </div>
  );
}

function Table({ filter }: { filter: string }) {
  const entries = useModPart((mod) => mod.ledger.entries);
  const [order, setOrder] = useLocalStorage<LedgerOrder>({
    key: 'obrank.registry.sort',
    defaultValue: 'order',
    getInitialValueInEffect: false,
  });
  const shown = useMemo(() => shownEntries(entries, filter, order), [entries, filter, order]);
  const { scroller, track } = useLines(shown.length, lineHeight, 0);
  return (
    <div
      className={pageStyles['scroll']}
      ref={scroller}
      role="table"
      aria-label="Registry"
      aria-rowcount={shown.length + 1}
    >
      <Head order={order} onOrder={setOrder} />
      <div className={pageStyles['text-lines']} style={{ height: track.getTotalSize() }}>
        {track.getVirtualItems().map((item) => {
          const entry = itemAt(shown, item.index);
          return (
            <Line
              key={`${entry.kind} ${entry.name} ${entry.number}`}
              entry={entry}
              index={item.index}
              top={item.start}
            />
          );
        })}
      </div>
    </div>
  );
}

function Head({ order, onOrder }: { order: LedgerOrder; onOrder: (order: LedgerOrder) => void }) {
  const column = (by: LedgerOrder, words: string, title?: string) => (
    <span role="columnheader" aria-sort={order === by ? 'ascending' : 'none'}>
      <button type="button" title={title} onClick={() => onOrder(by)}>
        {words}
      </button>
    </span>
  );
  return (
    <div className={clsx(styles['ledger-line'], styles['head'])} role="row">
      {column('number', 'number')}
      {column('order', 'kind', 'In the order of registering: groups, blocks, items')}
      {column('name', 'id')}
      <span role="columnheader">states</span>
      <span role="columnheader">codes</span>
      <span role="columnheader">formerly</span>
    </div>
  );
}
