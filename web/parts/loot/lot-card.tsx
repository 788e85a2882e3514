import { NumberInput } from '@mantine/core';
import clsx from 'clsx';
import { withoutUndefined } from '../../../core/json/index.ts';
import { keepableProperties } from '../../../core/loot/index.ts';
import { idOf, lookUp, type Lot } from '../../../core/mod/index.ts';
import type { StateSpace } from '../../../core/states/index.ts';
import { useMod } from '../../api/hooks.tsx';
import { toggled } from '../grid/moves.ts';
import { ItemIcon, ItemSelect } from '../item.tsx';
import { ConditionEditor } from './condition-editor.tsx';
import { CountField } from './count-field.tsx';
import styles from './loot.module.css';

interface LotProps {
  index: number;
  lot: Lot;
  space: StateSpace;
  options: { value: string; label: string }[];
  /** The table that is edited: it cannot draw from itself. */
  table: string | undefined;
  /** How often it is drawn, 0 to 1. */
  chance: number;
  onLot: (lot: Lot) => void;
  onRemove: () => void;
  onUp: (() => void) | undefined;
}
type LotKind = 'item' | 'table' | 'blank';
/** Changes some of a lot; what becomes undefined is taken away. */
type PutPart = (part: Partial<Lot>) => void;

const kindOf = ({ give, table }: Lot): LotKind =>
  give !== undefined ? 'item' : table !== undefined ? 'table' : 'blank';

/** One lot: what it gives, how many, how it is drawn, and when. */
export function LotCard(props: LotProps) {
  const { index, lot, space, onLot } = props;
  const { header } = useMod();
  const put: PutPart = (part) => onLot(withoutUndefined({ ...lot, ...part }));
  return (
    <div className={styles['lot']} role="group" aria-label={`Lot ${index + 1}`}>
      <div className={styles['lot-line']}>
        <What {...props} put={put} />
        <Acts {...props} />
      </div>
      <div className={styles['lot-line']}>
        {kindOf(lot) !== 'blank' && (
          <CountField
            label="of it"
            value={lot.count ?? 1}
            onValue={(count) => put({ count: count === 1 ? undefined : count })}
          />
        )}
        <HowDrawn lot={lot} put={put} />
      </div>
      <Kept lot={lot} put={put} />
      <ConditionEditor
        when={lot.when}
        onWhen={(when) => put({ when })}
        properties={space.properties}
        header={header}
      />
    </div>
  );
}

/** What it is: an item, another table, or nothing. */
function What({ lot, options, table, put }: LotProps & { put: PutPart }) {
  const { header, lootTables } = useMod();
  const tables = Object.keys(lootTables)
    .map((name) => idOf(header.namespace, name))
    .filter((id) => id !== table);
  const kind = kindOf(lot);
  const become = (next: string) =>
    put({
      give: next === 'item' ? options[0]?.value : undefined,
      table: next === 'table' ? tables[0] : undefined,
      keeps: undefined,
      ...(next === 'blank' ? { count: undefined } : {}),
    });
  return (
    <>
      <select
        className="pick"
        aria-label="What the lot is"
        value={kind}
        onChange={(event) => become(event.currentTarget.value)}
      >
        <option value="item">gives</option>
        <option value="table" disabled={!tables.length && kind !== 'table'}>
          draws from
        </option>
        <option value="blank">blank</option>
      </select>
      {lot.give !== undefined && (
        <>
          <ItemIcon id={lot.give} size={24} />
          <span className={styles['grow']}>
            <ItemSelect
              aria-label="Gives"
              value={lot.give}
              options={options}
              onItem={(give) => put({ give, keeps: undefined })}
            />
          </span>
        </>
      )}
      {kind === 'table' && lot.table !== undefined && (
        <select
          className={clsx('pick mono', styles['grow'])}
          aria-label="Table"
          aria-invalid={!tables.includes(lot.table)}
          value={lot.table}
          onChange={(event) => put({ table: event.currentTarget.value })}
        >
          {[...new Set([...tables, lot.table])].map((id) => (
            <option key={id}>{id}</option>
          ))}
        </select>
      )}
      {kind === 'blank' && <span className={clsx('note', styles['grow'])}>nothing</span>}
    </>
  );
}

function Acts({ index, chance, onUp, onRemove }: LotProps) {
  return (
    <>
      <span
        className={styles['chance']}
        title="How often this lot is drawn in the cell that is chosen in the truth table"
      >
        {Number((chance * 100).toFixed(1))}%
      </span>
      <button
        type="button"
        className="tiny"
        aria-label={`Move lot ${index + 1} up`}
        disabled={!onUp}
        onClick={onUp}
      >
        ↑
      </button>
      <button
        type="button"
        className="tiny"
        aria-label={`Remove lot ${index + 1}`}
        onClick={onRemove}
      >
        ×
      </button>
    </>
  );
}

/** Surely, or by a share of the draw, to which luck may add. */
function HowDrawn({ lot: { share, luck }, put }: { lot: Lot; put: PutPart }) {
  return (
    <>
      <select
        className="pick"
        aria-label="How it is drawn"
        value={share === undefined ? 'sure' : 'share'}
        onChange={(event) =>
          put(
            event.currentTarget.value === 'sure'
              ? { share: undefined, luck: undefined }
              : { share: 1 },
          )
        }
      >
        <option value="sure">surely</option>
        <option value="share">by share</option>
      </select>
      {share !== undefined && (
        <>
          <NumberInput
            aria-label="Share"
            w={46}
            hideControls
            value={share}
            onChange={(value) => typeof value === 'number' && put({ share: value })}
          />
          <span className="note">luck adds</span>
          <NumberInput
            aria-label="What luck adds"
            w={42}
            hideControls
            value={luck ?? 0}
            onChange={(value) => typeof value === 'number' && put({ luck: value || undefined })}
          />
        </>
      )}
    </>
  );
}

/** Which properties of the block that it gives stay in the item. */
function Kept({ lot, put }: { lot: Lot; put: PutPart }) {
  const { blocks } = useMod();
  const { give, keeps = [] } = lot;
  const block = give === undefined ? undefined : lookUp(blocks, give.slice(give.indexOf(':') + 1));
  const names = block ? keepableProperties(block, keeps) : [];
  if (!names.length) return null;
  return (
    <div className={clsx('note', styles['lot-line'])}>
      keeps{' '}
      {names.map((name) => (
        <button
          key={name}
          type="button"
          className="chip"
          aria-pressed={keeps.includes(name)}
          onClick={() => {
            const next = toggled(new Set(keeps), name);
            put({ keeps: next.length ? next : undefined });
          }}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
