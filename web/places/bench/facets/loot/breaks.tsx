import { useEffect, useMemo, useRef, useState } from 'react';
import { itemAt } from '../../../../../core/lists/index.ts';
import { broken, distribution, lootSource, type Breaking } from '../../../../../core/loot/index.ts';
import type { ResolvedBlock } from '../../../../../core/mod/index.ts';
import { wilson } from '../../../../../core/traits/index.ts';
import { useInspector, useMod, type BlockEditor } from '../../../../api/hooks.tsx';
import { Curve, type Line } from '../../../../parts/curve/curve.tsx';
import { itemTitle } from '../../../../parts/item.tsx';
import type { BreaksAnswer } from '../../../../workers/protocol.ts';
import { useDropChoice } from '../../truth/choice.tsx';
import styles from '../../../../parts/field.module.css';

/** So often a block is broken to see what comes of it. */
const breaks = 100_000;
const percent = (value: number) => `${Number((value * 100).toFixed(2))}%`;

/** What a hundred thousand breaks came to: of which block, in which way, with which seed. */
interface Trial {
  block: ResolvedBlock;
  breaking: Breaking;
  seed: number;
  tally: BreaksAnswer;
}

/** Has the worker break the block so often. What was tried for another way is not shown. */
function useTrial(block: ResolvedBlock, breaking: Breaking) {
  const inspector = useInspector();
  const [seed, setSeed] = useState(1);
  const [progress, setProgress] = useState<number>();
  const [trial, setTrial] = useState<Trial>();
  const cancel = useRef(() => {});
  // What was tried for another loot, way or state says nothing of this one.
  useEffect(() => () => cancel.current(), [block, breaking]);
  const run = (next: number) => {
    cancel.current();
    setSeed(next);
    setProgress(0);
    const asked = inspector.breaks(
      { block: block.name, breaking, breaks, seed: next },
      (done, total) => setProgress(done / total),
    );
    let isGone = false;
    cancel.current = () => {
      isGone = true;
      asked.cancel();
      setProgress(undefined);
    };
    void asked.found.then((tally) => {
      if (isGone) return;
      setProgress(undefined);
      if (tally) setTrial({ block, breaking, seed: next, tally });
    });
  };
  const isShown = trial?.block === block && trial.breaking === breaking;
  return {
    tally: isShown ? trial.tally : undefined,
    progress,
    seed,
    run,
    cancel: () => cancel.current(),
  };
}

/**
 * How many of an item there are in the chosen way of breaking: exact, and beside it what a hundred
 * thousand breaks came to.
 */
export function Breaks({ editor: { block } }: { editor: BlockEditor }) {
  const mod = useMod();
  const { truth, cursor } = useDropChoice();
  const { header, lootTables } = mod;
  const source = useMemo(
    () => lootSource({ header, lootTables }, block),
    [header, lootTables, block],
  );
  const breaking = useMemo(() => truth.breakingOf(cursor), [truth, cursor]);
  const found = broken(block, breaking, source);
  const items = typeof found === 'string' ? [] : [...new Set(found.map(({ give }) => give))];
  const [wanted, setWanted] = useState<string>();
  const item = wanted !== undefined && items.includes(wanted) ? wanted : items[0];
  const exact = useMemo(
    () => (item === undefined ? undefined : distribution(block.draws, item, breaking, source)),
    [item, block, breaking, source],
  );
  const trying = useTrial(block, breaking);
  if (item === undefined) return null;
  const tried = trying.tally?.get(item);
  const way = itemAt(truth.ways, truth.space.digit(cursor, 0)).name;
  const title = itemTitle(mod, item);
  return (
    <div className={styles['field']}>
      <div className={styles['kv']}>
        <span>How many there are</span>
        {items.length > 1 ? (
          <ItemChoice items={items} item={item} onItem={setWanted} />
        ) : (
          <span className="note">{title}</span>
        )}
      </div>
      {exact || tried ? (
        <Numbers
          title={title}
          way={`${way}${breaking.careful ? ', careful' : ''}`}
          exact={exact}
          tried={tried}
        />
      ) : (
        <p className="note">There are too many outcomes to tell one by one.</p>
      )}
      <p className="note" aria-live="polite">
        <TrialNote {...trying} isTried={tried !== undefined} />
      </p>
    </div>
  );
}

interface ChoiceProps {
  items: readonly string[];
  item: string;
  onItem: (item: string) => void;
}

function ItemChoice({ items, item, onItem }: ChoiceProps) {
  const mod = useMod();
  return (
    <select
      className="pick"
      aria-label="Item whose numbers are shown"
      value={item}
      onChange={(event) => onItem(event.currentTarget.value)}
    >
      {items.map((id) => (
        <option key={id} value={id}>
          {itemTitle(mod, id)}
        </option>
      ))}
    </select>
  );
}

interface NumbersProps {
  title: string;
  way: string;
  /** The chance of each number, from none on. */
  exact: readonly number[] | undefined;
  /** How often each number came. */
  tried: readonly number[] | undefined;
}

function Numbers({ title, way, exact, tried }: NumbersProps) {
  const many = Math.max(exact?.length ?? 0, tried?.length ?? 0);
  const numbers = Array.from({ length: many }, (_, n) => n);
  const lines: Line[] = [];
  if (exact) lines.push({ name: 'exact', values: numbers.map((n) => exact[n] ?? 0) });
  if (tried) {
    const bounds = numbers.map((n) => wilson(tried[n] ?? 0, breaks));
    lines.push({
      name: `${breaks.toLocaleString('en')} breaks`,
      values: numbers.map((n) => (tried[n] ?? 0) / breaks),
      low: bounds.map(({ low }) => low),
      high: bounds.map(({ high }) => high),
      dash: [4, 3],
    });
  }
  return (
    <Curve
      label={`How many ${title} there are`}
      x={{ label: `of it, with ${way}`, values: numbers }}
      y="chance"
      bars
      say={percent}
      lines={lines}
    />
  );
}

function TrialNote(props: ReturnType<typeof useTrial> & { isTried: boolean }) {
  const { progress, seed, run, cancel, isTried } = props;
  if (progress !== undefined)
    return (
      <>
        Breaking it … {Math.round(progress * 100)}%{' '}
        <button type="button" className="tiny" onClick={cancel}>
          Cancel
        </button>
      </>
    );
  if (!isTried)
    return (
      <button type="button" className="link" onClick={() => run(seed)}>
        Break it {breaks.toLocaleString('en')} times
      </button>
    );
  return (
    <>
      Seed {seed}; the band holds the chance in 95 of 100 cases.{' '}
      <button type="button" className="tiny" onClick={() => run(seed + 1)}>
        Try another seed
      </button>
    </>
  );
}
