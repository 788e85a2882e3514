import { itemAt } from '../../../../../core/lists/index.ts';
import { useEffect, useMemo, useRef, useState } from 'react';
import { broken, distribution, lootSource, type Breaking } from '../../../../../core/loot/index.ts';
import { wilson } from '../../../../../core/traits/index.ts';
import { useInspector, useMod, type BlockEditor } from '../../../../api/hooks.tsx';
import { Curve } from '../../../../parts/curve/curve.tsx';
import { itemTitle } from '../../../../parts/item.tsx';
import { useDropChoice } from '../../truth/choice.tsx';
import type { BreaksAnswer } from '../../../../workers/protocol.ts';

const breaks = 100_000;
const percent = (value: number) => `${Number((value * 100).toFixed(2))}%`;

/**
 * How many of an item there are in the chosen way of breaking: exact, and beside it what a hundred
 * thousand breaks came to.
 */
export function Breaks({ editor }: { editor: BlockEditor }) {
  const mod = useMod();
  const inspector = useInspector();
  const { block } = editor;
  const { truth, cursor } = useDropChoice();
  const { header, lootTables } = mod;
  const source = useMemo(
    () => lootSource({ header, lootTables }, block),
    [header, lootTables, block],
  );
  const { draws } = block;
  const breaking = useMemo(() => truth.breakingOf(cursor), [truth, cursor]);
  const found = broken(block, breaking, source);
  const items = typeof found === 'string' ? [] : [...new Set(found.map(({ give }) => give))];
  const [wanted, setWanted] = useState<string>();
  const item = wanted !== undefined && items.includes(wanted) ? wanted : items[0];
  const exact = useMemo(
    () => (item === undefined ? undefined : distribution(draws, item, breaking, source)),
    [item, draws, breaking, source],
  );
  const [seed, setSeed] = useState(1);
  const [progress, setProgress] = useState<number>();
  const [tried, setTried] = useState<{
    of: object;
    breaking: Breaking;
    seed: number;
    tally: BreaksAnswer;
  }>();
  const stop = useRef(() => {});
  // What was tried for another loot, way or state says nothing of this one.
  useEffect(() => () => stop.current(), [block, breaking]);
  const run = (with_: number) => {
    stop.current();
    setSeed(with_);
    setProgress(0);
    const asked = inspector.breaks(
      { block: block.name, breaking, breaks, seed: with_ },
      (done, total) => setProgress(done / total),
    );
    let gone = false;
    stop.current = () => {
      gone = true;
      asked.cancel();
      setProgress(undefined);
    };
    void asked.found.then((tally) => {
      if (gone) return;
      setProgress(undefined);
      if (tally) setTried({ of: block, breaking, seed: with_, tally });
    });
  };
  if (item === undefined) return null;
  const known =
    tried?.of === block && tried.breaking === breaking ? tried.tally.get(item) : undefined;
  const most = Math.max(exact?.length ?? 0, known?.length ?? 0);
  const [way, care] = [
    itemAt(truth.ways, truth.space.digit(cursor, 0)).name,
    breaking.careful ? ', careful' : '',
  ];
  return (
    <div className="field">
      <div className="kv">
        <span>How many there are</span>
        {items.length > 1 ? (
          <select
            className="pick"
            aria-label="Item whose numbers are shown"
            value={item}
            onChange={(event) => setWanted(event.currentTarget.value)}
          >
            {items.map((id) => (
              <option key={id} value={id}>
                {itemTitle(mod, id)}
              </option>
            ))}
          </select>
        ) : (
          <span className="note">{itemTitle(mod, item)}</span>
        )}
      </div>
      {exact || known ? (
        <Curve
          label={`How many ${itemTitle(mod, item)} there are`}
          x={{
            label: `of it, with ${way}${care}`,
            values: Array.from({ length: most }, (_, n) => n),
          }}
          y="chance"
          bars
          say={percent}
          lines={[
            ...(exact
              ? [{ name: 'exact', values: Array.from({ length: most }, (_, n) => exact[n] ?? 0) }]
              : []),
            ...(known
              ? [
                  {
                    name: `${breaks.toLocaleString('en')} breaks`,
                    values: Array.from({ length: most }, (_, n) => (known[n] ?? 0) / breaks),
                    low: Array.from({ length: most }, (_, n) => wilson(known[n] ?? 0, breaks).low),
                    high: Array.from(
                      { length: most },
                      (_, n) => wilson(known[n] ?? 0, breaks).high,
                    ),
                    dash: [4, 3],
                  },
                ]
              : []),
          ]}
        />
      ) : (
        <p className="note">There are too many outcomes to tell one by one.</p>
      )}
      <p className="note" aria-live="polite">
        {progress !== undefined ? (
          <>
            Breaking it … {Math.round(progress * 100)}%{' '}
            <button type="button" className="tiny" onClick={() => stop.current()}>
              Cancel
            </button>
          </>
        ) : known ? (
          <>
            Seed {seed}; the band holds the chance in 95 of 100 cases.{' '}
            <button type="button" className="tiny" onClick={() => run(seed + 1)}>
              Try another seed
            </button>
          </>
        ) : (
          <button type="button" className="link" onClick={() => run(seed)}>
            Break it {breaks.toLocaleString('en')} times
          </button>
        )}
      </p>
    </div>
  );
}
