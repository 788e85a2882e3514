import { Button } from '@mantine/core';
import { itemAt, movedUp } from '../../../core/lists/index.ts';
import { lotChances, type Breaking } from '../../../core/loot/index.ts';
import type { Count, Draw, Lot } from '../../../core/mod/index.ts';
import type { StateSpace } from '../../../core/states/index.ts';
import { useItemOptions } from '../item.tsx';
import { CountField } from './count-field.tsx';
import { LotCard } from './lot-card.tsx';
import styles from './loot.module.css';

interface DrawsProps {
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

const lotFor = (give: string | undefined): Lot => (give === undefined ? {} : { give });

/** The draws of a loot table, each with its lots: what, how many, how often, and when. */
export function DrawsEditor(props: DrawsProps) {
  const { draws, onDraws, usual } = props;
  return (
    <>
      {draws.map((draw, index) => (
        <DrawCard key={index} {...props} draw={draw} index={index} />
      ))}
      <Button
        variant="default"
        mb="md"
        onClick={() => onDraws('Add a draw', [...draws, { times: 1, lots: [lotFor(usual)] }])}
      >
        Add a draw
      </Button>
    </>
  );
}

function DrawCard(props: DrawsProps & { draw: Draw; index: number }) {
  const { draws, draw, index, onDraws, space, breaking, usual, table } = props;
  const options = useItemOptions();
  const { lots } = draw;
  const put = (next: Draw, label = 'Change the drops') => onDraws(label, draws.with(index, next));
  const putLots = (next: Lot[], label?: string) => put({ ...draw, lots: next }, label);
  const chances = lotChances(draw, breaking, space);
  return (
    <div className={styles['draw']} role="group" aria-label={`Draw ${index + 1}`}>
      <DrawHead {...props} onTimes={(times) => put({ ...draw, times })} />
      {lots.map((lot, l) => (
        <LotCard
          key={l}
          index={l}
          lot={lot}
          space={space}
          options={options}
          table={table}
          chance={itemAt(chances, l)}
          onLot={(next) => putLots(lots.with(l, next))}
          onRemove={() => putLots(lots.toSpliced(l, 1), 'Remove a lot')}
          onUp={l ? () => putLots(movedUp(lots, l), 'Reorder the lots') : undefined}
        />
      ))}
      <button
        type="button"
        className="tiny"
        onClick={() =>
          putLots(
            [...lots, { ...lotFor(usual), ...(lots.length ? { share: 1 } : {}) }],
            'Add a lot',
          )
        }
      >
        + Add a lot
      </button>
    </div>
  );
}

function DrawHead({
  draws,
  draw,
  index,
  onDraws,
  onTimes,
}: Pick<DrawsProps, 'draws' | 'onDraws'> & {
  draw: Draw;
  index: number;
  onTimes: (times: Count) => void;
}) {
  return (
    <div className={styles['draw-head']}>
      <b>{draws.length > 1 ? `Draw ${index + 1}` : 'One draw'}</b>
      <CountField label="times" value={draw.times} onValue={onTimes} />
      <span className="note">times</span>
      <span className={styles['acts']}>
        {index > 0 && (
          <button
            type="button"
            className="tiny"
            aria-label={`Move draw ${index + 1} up`}
            onClick={() => onDraws('Reorder the draws', movedUp(draws, index))}
          >
            ↑
          </button>
        )}
        <button
          type="button"
          className="tiny"
          aria-label={`Remove draw ${index + 1}`}
          onClick={() => onDraws('Remove a draw', draws.toSpliced(index, 1))}
        >
          ×
        </button>
      </span>
    </div>
  );
}
