import { itemAt } from '../../../core/lists/index.ts';
import './loot.css';
import { Button, NumberInput } from '@mantine/core';
import { withoutUndefined } from '../../../core/json/index.ts';
import { lotChances, type Breaking } from '../../../core/loot/index.ts';
import { lookUp, idOf, type Count, type Draw, type Lot } from '../../../core/mod/index.ts';
import type { StateSpace } from '../../../core/states/index.ts';
import { useMod } from '../../api/hooks.tsx';
import { ItemIcon, ItemSelect, useItemOptions } from '../item.tsx';
import { ConditionEditor } from './condition-editor.tsx';
import { CountField } from './count-field.tsx';

interface Props {
  draws: readonly Draw[];
  onDraws: (label: string, draws: Draw[]) => void;
  space: StateSpace;
  /** The way of breaking whose chances stand beside the lots. */
  breaking: Breaking;
  /** The item that a new lot gives. */
  usual: string | undefined;
  /** The table that is edited: it cannot draw from itself. */
  table?: string;
}

/** The draws of a loot table, each with its lots: what, how many, how often, and when. */
export function DrawsEditor({ draws, onDraws, space, breaking, usual, table }: Props) {
  const options = useItemOptions();
  const put = (d: number, next: Draw | undefined, label = 'Change the drops') =>
    onDraws(label, next ? draws.with(d, next) : draws.filter((_, at) => at !== d));
  return (
    <>
      {draws.map((draw, d) => (
        <div key={d} className="draw" role="group" aria-label={`Draw ${d + 1}`}>
          <div className="draw-head">
            <b>{draws.length > 1 ? `Draw ${d + 1}` : 'One draw'}</b>
            <CountField
              label="times"
              value={draw.times}
              onValue={(times: Count) => put(d, { ...draw, times })}
            />
            <span className="note">times</span>
            <span className="acts">
              {d > 0 && (
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Move draw ${d + 1} up`}
                  onClick={() =>
                    onDraws(
                      'Reorder the draws',
                      draws.with(d, itemAt(draws, d - 1)).with(d - 1, draw),
                    )
                  }
                >
                  ↑
                </button>
              )}
              <button
                type="button"
                className="tiny"
                aria-label={`Remove draw ${d + 1}`}
                onClick={() => put(d, undefined, 'Remove a draw')}
              >
                ×
              </button>
            </span>
          </div>
          {draw.lots.map((lot, l) => (
            <LotCard
              key={l}
              at={l}
              lot={lot}
              space={space}
              options={options}
              table={table}
              chance={itemAt(lotChances(draw, breaking, space), l)}
              onLot={(next) =>
                put(
                  d,
                  {
                    ...draw,
                    lots: next ? draw.lots.with(l, next) : draw.lots.filter((_, at) => at !== l),
                  },
                  next ? undefined : 'Remove a lot',
                )
              }
              onUp={
                l
                  ? () =>
                      put(
                        d,
                        {
                          ...draw,
                          lots: draw.lots.with(l, itemAt(draw.lots, l - 1)).with(l - 1, lot),
                        },
                        'Reorder the lots',
                      )
                  : undefined
              }
            />
          ))}
          <button
            type="button"
            className="tiny"
            onClick={() =>
              put(
                d,
                {
                  ...draw,
                  lots: [
                    ...draw.lots,
                    {
                      ...(usual === undefined ? {} : { give: usual }),
                      ...(draw.lots.length ? { share: 1 } : {}),
                    },
                  ],
                },
                'Add a lot',
              )
            }
          >
            + Add a lot
          </button>
        </div>
      ))}
      <Button
        variant="default"
        mb="md"
        onClick={() =>
          onDraws('Add a draw', [
            ...draws,
            { times: 1, lots: [usual === undefined ? {} : { give: usual }] },
          ])
        }
      >
        Add a draw
      </Button>
    </>
  );
}

const put = (lot: Lot, part: Partial<Lot>): Lot => withoutUndefined({ ...lot, ...part });

function LotCard({
  at,
  lot,
  space,
  options,
  table,
  chance,
  onLot,
  onUp,
}: {
  at: number;
  lot: Lot;
  space: StateSpace;
  options: { value: string; label: string }[];
  table: string | undefined;
  chance: number;
  onLot: (lot: Lot | undefined) => void;
  onUp: (() => void) | undefined;
}) {
  const { header, lootTables, blocks } = useMod();
  const tables = Object.keys(lootTables)
    .map((name) => idOf(header.namespace, name))
    .filter((id) => id !== table);
  const kind = lot.give !== undefined ? 'item' : lot.table !== undefined ? 'table' : 'blank';
  const become = (next: string) =>
    onLot(
      put(lot, {
        give: next === 'item' ? options[0]?.value : undefined,
        table: next === 'table' ? tables[0] : undefined,
        keeps: undefined,
        ...(next === 'blank' ? { count: undefined } : {}),
      }),
    );
  const block =
    lot.give !== undefined ? lookUp(blocks, lot.give.slice(lot.give.indexOf(':') + 1)) : undefined;
  const kept =
    block?.states.properties.filter(
      ({ name }) =>
        (block.states.placing ?? []).some(
          (rule) => rule.set === name && rule.to === 'from the item',
        ) || lot.keeps?.includes(name),
    ) ?? [];
  return (
    <div className="lot" role="group" aria-label={`Lot ${at + 1}`}>
      <div className="lot-line">
        <select
          className="pick kind"
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
        {kind === 'item' && (
          <>
            <ItemIcon id={lot.give!} size={24} />
            <span className="grow">
              <ItemSelect
                aria-label="Gives"
                value={lot.give}
                options={options}
                onItem={(give) => onLot(put(lot, { give, keeps: undefined }))}
              />
            </span>
          </>
        )}
        {kind === 'table' && (
          <select
            className="pick grow mono"
            aria-label="Table"
            aria-invalid={!tables.includes(lot.table!)}
            value={lot.table}
            onChange={(event) => onLot(put(lot, { table: event.currentTarget.value }))}
          >
            {[...new Set([...tables, lot.table!])].map((id) => (
              <option key={id}>{id}</option>
            ))}
          </select>
        )}
        {kind === 'blank' && <span className="note grow">nothing</span>}
        <span
          className="chance"
          title="How often this lot is drawn in the cell that is chosen in the truth table"
        >
          {Number((chance * 100).toFixed(1))}%
        </span>
        <button
          type="button"
          className="tiny"
          aria-label={`Move lot ${at + 1} up`}
          disabled={!onUp}
          onClick={onUp}
        >
          ↑
        </button>
        <button
          type="button"
          className="tiny"
          aria-label={`Remove lot ${at + 1}`}
          onClick={() => onLot(undefined)}
        >
          ×
        </button>
      </div>
      <div className="lot-line">
        {kind !== 'blank' && (
          <CountField
            label="of it"
            value={lot.count ?? 1}
            onValue={(count) => onLot(put(lot, { count: count === 1 ? undefined : count }))}
          />
        )}
        <select
          className="pick"
          aria-label="How it is drawn"
          value={lot.share === undefined ? 'sure' : 'share'}
          onChange={(event) =>
            onLot(
              put(
                lot,
                event.currentTarget.value === 'sure'
                  ? { share: undefined, luck: undefined }
                  : { share: 1 },
              ),
            )
          }
        >
          <option value="sure">surely</option>
          <option value="share">by share</option>
        </select>
        {lot.share !== undefined && (
          <>
            <NumberInput
              aria-label="Share"
              w={46}
              hideControls
              value={lot.share}
              onChange={(share) => typeof share === 'number' && onLot(put(lot, { share }))}
            />
            <span className="note">luck adds</span>
            <NumberInput
              aria-label="What luck adds"
              w={42}
              hideControls
              value={lot.luck ?? 0}
              onChange={(luck) =>
                typeof luck === 'number' && onLot(put(lot, { luck: luck || undefined }))
              }
            />
          </>
        )}
      </div>
      {kept.length > 0 && (
        <div className="lot-line note">
          keeps{' '}
          {kept.map(({ name }) => (
            <button
              key={name}
              type="button"
              className="chip"
              aria-pressed={lot.keeps?.includes(name) ?? false}
              onClick={() => {
                const keeps = lot.keeps?.includes(name)
                  ? lot.keeps.filter((one) => one !== name)
                  : [...(lot.keeps ?? []), name];
                onLot(put(lot, { keeps: keeps.length ? keeps : undefined }));
              }}
            >
              {name}
            </button>
          ))}
        </div>
      )}
      <ConditionEditor
        when={lot.when}
        onWhen={(when) => onLot(put(lot, { when }))}
        properties={space.properties}
        header={header}
      />
    </div>
  );
}
