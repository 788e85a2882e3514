import { itemAt } from '../../../core/lists/index.ts';
import { Button, Checkbox, FileButton, Switch, TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useSearchParams } from 'react-router';
import { lookUp, resolveBlocks, stocks, titleOf, type TraitName } from '../../../core/mod/index.ts';
import {
  bulkChange,
  cellText,
  columns,
  readCsv,
  sortKey,
  traitOf,
  writeCsv,
  type BulkAct,
  type CsvPlan,
} from '../../../core/table/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { download } from '../../parts/download.ts';
import { Rendering } from '../../parts/rendering.tsx';
import { useStable } from '../../parts/use-stable.ts';
import { BulkBar } from './bulk-bar.tsx';
import { CsvDialog } from './csv-dialog.tsx';
import { DataTabs } from './data-tabs.tsx';
import { mostSubjects, SideBySide, type Subject } from './side-by-side.tsx';

const rowHeight = 34;
const collator = new Intl.Collator('en', { numeric: true });

/**
 * Every block as a line of its traits: to be sorted, compared, changed many at once, and taken out
 * and in as CSV.
 */
export function TraitTable() {
  const mod = useMod();
  const session = useSession();
  const [search, setSearch] = useSearchParams();
  const [filter, setFilter] = useState('');
  const [withStock, setWithStock] = useLocalStorage({
    key: 'obrank.table.stock',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const [sort, setSort] = useLocalStorage<{ by: TraitName | 'name'; down: boolean }>({
    key: 'obrank.table.sort',
    defaultValue: { by: 'name', down: false },
    getInitialValueInEffect: false,
  });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [planned, setPlanned] = useState<{ trait: TraitName; act: BulkAct }>();
  const [csv, setCsv] = useState<{ name: string; plan: CsvPlan }>();
  const [cursor, setCursor] = useState(0);
  const anchor = useRef(0);
  const scroller = useRef<HTMLDivElement>(null);
  const subjects = useMemo(
    (): Subject[] => [
      ...resolveBlocks(mod).map((block): Subject => ({
        key: block.name,
        title: titleOf(mod, block.name, block.declared.names),
        block,
        traits: Object.fromEntries(
          columns.map(({ trait }) => [trait, traitOf(block, trait)]),
        ) as Subject['traits'],
      })),
      ...(withStock
        ? stocks.map((stock): Subject => ({
            key: `stock/${stock.name}`,
            title: stock.title,
            traits: stock.traits,
          }))
        : []),
    ],
    [mod, withStock],
  );
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const list = subjects.filter(
      (one) => one.key.includes(wanted) || one.title.toLowerCase().includes(wanted),
    );
    const key = (one: Subject) => (sort.by === 'name' ? one.title : sortKey(one.traits[sort.by]));
    return list.sort((a, b) => {
      const [x, y] = [key(a), key(b)];
      const order =
        typeof x === 'number' && typeof y === 'number'
          ? x === y
            ? 0
            : x - y
          : collator.compare(String(x), String(y));
      return (sort.down ? -order : order) || collator.compare(a.title, b.title);
    });
  }, [subjects, filter, sort]);
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 6,
    scrollPaddingStart: 34,
  });
  const blocksChosen = [...chosen].filter((key) => lookUp(mod.blocks, key));
  const plan =
    planned && blocksChosen.length
      ? bulkChange(mod, blocksChosen, planned.trait, planned.act)
      : undefined;
  const becomes = new Map(plan?.changed.map(({ block, after }) => [block, after]));
  const comparing = (search.get('compare') ?? '').split(',').flatMap((key) => {
    const own = subjects.find((one) => one.key === key);
    const stock = key.startsWith('stock/')
      ? stocks.find((one) => `stock/${one.name}` === key)
      : undefined;
    return own ? [own] : stock ? [{ key, title: stock.title, traits: stock.traits }] : [];
  });
  const choose = (at: number, keep: boolean, range: boolean) => {
    const one = shown[at];
    if (!one) return;
    setCursor(at);
    if (range) {
      const [from, to] = [Math.min(anchor.current, at), Math.max(anchor.current, at)];
      const between = shown.slice(from, to + 1).map((each) => each.key);
      setChosen(new Set([...chosen, ...between]));
      return;
    }
    anchor.current = at;
    const next = new Set(keep ? chosen : []);
    if (chosen.has(one.key) && keep) next.delete(one.key);
    else next.add(one.key);
    setChosen(next);
  };
  // Lines stay while others scroll past, so what they call goes through something that stays as
  // well.
  const press = useStable((at: number, range: boolean) => choose(at, true, range));
  const go = (to: number, extend: boolean) => {
    const at = Math.max(0, Math.min(shown.length - 1, to));
    setCursor(at);
    rows.scrollToIndex(at, { align: 'auto' });
    if (extend)
      setChosen(
        new Set(
          shown
            .slice(Math.min(anchor.current, at), Math.max(anchor.current, at) + 1)
            .map((one) => one.key),
        ),
      );
    else anchor.current = at;
  };
  const keys = (event: KeyboardEvent) => {
    if (event.target !== scroller.current) return;
    const acts: Record<string, () => void> = {
      ArrowDown: () => go(cursor + 1, event.shiftKey),
      ArrowUp: () => go(cursor - 1, event.shiftKey),
      PageDown: () => go(cursor + 12, event.shiftKey),
      PageUp: () => go(cursor - 12, event.shiftKey),
      Home: () => go(0, event.shiftKey),
      End: () => go(shown.length - 1, event.shiftKey),
      ' ': () => choose(cursor, true, false),
      Escape: () => setChosen(new Set()),
      ...(event.ctrlKey || event.metaKey
        ? { a: () => setChosen(new Set(shown.map((one) => one.key))) }
        : {}),
    };
    const act = lookUp(acts, event.key);
    if (!act) return;
    event.preventDefault();
    act();
  };
  const compare = (list: readonly string[]) =>
    setSearch(list.length ? { compare: list.join(',') } : {});
  const order = (by: TraitName | 'name') =>
    setSort({ by, down: sort.by === by ? !sort.down : false });
  const sorted = (by: TraitName | 'name') =>
    sort.by === by ? (sort.down ? 'descending' : 'ascending') : 'none';
  return (
    <div className="data-page">
      <DataTabs>
        <TextInput
          placeholder="Filter"
          aria-label="Filter the table"
          w={150}
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
        />
        <Switch
          label="With stock"
          checked={withStock}
          onChange={(event) => setWithStock(event.currentTarget.checked)}
        />
        <span className="acts">
          <Button
            variant="default"
            onClick={() =>
              download(`${mod.header.namespace}-traits.csv`, writeCsv(mod), 'text/csv')
            }
          >
            Export CSV
          </Button>
          <FileButton
            accept=".csv,text/csv"
            onChange={(file) =>
              void file
                ?.arrayBuffer()
                .then((bytes) =>
                  setCsv({ name: file.name, plan: readCsv(mod, new Uint8Array(bytes)) }),
                )
            }
          >
            {(props) => (
              <Button {...props} variant="default">
                Import CSV
              </Button>
            )}
          </FileButton>
        </span>
      </DataTabs>
      {comparing.length > 1 ? (
        <SideBySide subjects={comparing} onSubjects={compare} />
      ) : (
        <>
          <div
            className="trait-scroll"
            ref={scroller}
            role="grid"
            tabIndex={0}
            aria-label="Table of traits"
            aria-multiselectable="true"
            aria-rowcount={shown.length + 1}
            aria-activedescendant={shown[cursor] && `line-${shown[cursor].key}`}
            onKeyDown={keys}
          >
            <div className="trait-grid" style={{ height: rows.getTotalSize() + rowHeight }}>
              <div className="line head" role="row">
                <span className="name" role="columnheader" aria-sort={sorted('name')}>
                  <Checkbox
                    size="xs"
                    aria-label="Choose all"
                    checked={shown.length > 0 && shown.every((one) => chosen.has(one.key))}
                    indeterminate={chosen.size > 0 && !shown.every((one) => chosen.has(one.key))}
                    onChange={(event) =>
                      setChosen(
                        new Set(event.currentTarget.checked ? shown.map((one) => one.key) : []),
                      )
                    }
                  />
                  <button type="button" onClick={() => order('name')}>
                    {shown.length === subjects.length
                      ? `${subjects.length} lines`
                      : `${shown.length} of ${subjects.length}`}
                  </button>
                </span>
                {columns.map(({ trait, words, unit, kind }) => (
                  <span
                    key={trait}
                    role="columnheader"
                    aria-sort={sorted(trait)}
                    className={`${kind} ${trait}${planned?.trait === trait && plan ? ' planned' : ''}`}
                  >
                    <button type="button" onClick={() => order(trait)}>
                      {words}
                      {unit && <em> {unit}</em>}
                    </button>
                  </span>
                ))}
              </div>
              {rows.getVirtualItems().map((item) => {
                const one = itemAt(shown, item.index);
                return (
                  <Line
                    key={one.key}
                    one={one}
                    at={item.index}
                    top={item.start + rowHeight}
                    chosen={chosen.has(one.key)}
                    cursor={item.index === cursor}
                    trait={becomes.has(one.key) ? planned?.trait : undefined}
                    becomes={becomes.get(one.key)}
                    press={press}
                  />
                );
              })}
              {shown.length === 0 && (
                <p className="note nothing">
                  {subjects.length
                    ? `Nothing matches “${filter}”.`
                    : 'The mod has no blocks yet. Each block becomes a line here.'}
                </p>
              )}
            </div>
          </div>
          <BulkBar
            chosen={blocksChosen}
            many={chosen.size}
            plan={plan}
            onPlan={setPlanned}
            onApply={(label) => {
              if (plan) session.edit(label, plan.changes);
              // Pressed twice it must not be done twice: what comes next is planned anew.
              setPlanned(undefined);
            }}
            onCompare={
              chosen.size >= 2 && chosen.size <= mostSubjects
                ? () => compare([...chosen])
                : undefined
            }
            onClear={() => setChosen(new Set())}
          />
        </>
      )}
      {csv && (
        <CsvDialog
          name={csv.name}
          plan={csv.plan}
          onClose={() => setCsv(undefined)}
          onApply={() => {
            session.edit(`Take in ${csv.name}`, csv.plan.changes);
            setCsv(undefined);
          }}
        />
      )}
    </div>
  );
}

interface LineProps {
  one: Subject;
  at: number;
  top: number;
  chosen: boolean;
  cursor: boolean;
  /** The trait that is about to change, and what it becomes. */ trait: TraitName | undefined;
  becomes: Subject['traits'][TraitName] | undefined;
  press: (at: number, range: boolean) => void;
}

/** One line of the table. It stays as it is while others scroll past. */
const Line = memo(function Line({
  one,
  at,
  top,
  chosen,
  cursor,
  trait: changing,
  becomes,
  press,
}: LineProps) {
  return (
    <div
      id={`line-${one.key}`}
      role="row"
      aria-rowindex={at + 2}
      aria-selected={chosen}
      className={`line${chosen ? ' chosen' : ''}${cursor ? ' cursor' : ''}${one.block ? '' : ' stock'}`}
      style={{ top }}
      onClick={(event) => press(at, event.shiftKey)}
    >
      <span className="name" role="rowheader">
        <input
          type="checkbox"
          readOnly
          tabIndex={-1}
          aria-label={`Choose ${one.title}`}
          checked={chosen}
        />
        {one.block ? (
          <Rendering block={one.key} state={0} size={26} fills />
        ) : (
          <i style={{ background: one.traits.mapColour }} />
        )}
        <b title={one.key}>{one.title}</b>
      </span>
      {columns.map(({ trait, kind }) => (
        <Cell
          key={trait}
          own={one.block?.declared.traits[trait] !== undefined}
          kind={kind}
          trait={trait}
          value={one.traits[trait]}
          becomes={changing === trait ? becomes : undefined}
        />
      ))}
    </div>
  );
});

/** One trait of one line; with a change in sight, what it was and what it becomes. */
function Cell({
  trait,
  kind,
  value,
  becomes,
  own,
}: {
  trait: TraitName;
  kind: string;
  value: Subject['traits'][TraitName];
  becomes: Subject['traits'][TraitName] | undefined;
  own: boolean;
}) {
  const text = cellText(value);
  return (
    <span
      role="gridcell"
      className={`${kind} ${trait}${own ? ' own' : ''}`}
      title={`${text}${own ? ', set by the block itself' : ''}`}
    >
      {trait === 'mapColour' && <i style={{ background: text }} />}
      {becomes === undefined ? (
        kind === 'toggle' ? (
          value ? (
            'yes'
          ) : (
            'no'
          )
        ) : (
          text
        )
      ) : (
        <>
          <s>{text}</s> <b>{cellText(becomes)}</b>
        </>
      )}
    </span>
  );
}
