import { SegmentedControl } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { itemAt } from '../../../../../core/lists/index.ts';
import { charges, type Crater } from '../../../../../core/traits/index.ts';
import { useInspector } from '../../../../api/hooks.tsx';
import { Curve } from '../../../../parts/curve/curve.tsx';
import type { BlastAnswer } from '../../../../workers/protocol.ts';
import { percent } from './odds.ts';
import styles from './wall.module.css';

/** A wall is tried at these distances, so often each. */
const [distances, samples] = [[1, 2, 3, 4, 6, 8, 12], 150];
const strengths = charges.map(({ strength }) => strength);
/** The layer of the crater at which the charge stands. */
const chargeLayer = 5;

/** What came of the charges, for which rating and with which seed. */
type Trial = BlastAnswer & { rating: number; seed: number };

/** Has the worker try charges before a wall, anew for another rating or seed. */
function useTrial(rating: number) {
  const inspector = useInspector();
  const [seed, setSeed] = useState(1);
  const [run, setRun] = useState(0);
  const [trial, setTrial] = useState<Trial>();
  const [progress, setProgress] = useState<number | undefined>(0);
  const cancel = useRef(() => {});
  useEffect(() => {
    // The work begins here, so its progress does.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setProgress(0);
    const asked = inspector.blast({ rating, strengths, distances, samples, seed }, (done, total) =>
      setProgress(done / total),
    );
    cancel.current = asked.cancel;
    let isGone = false;
    void asked.found.then((answer) => {
      if (isGone) return;
      if (answer) setTrial({ ...answer, rating, seed });
      setProgress(undefined);
    });
    return () => {
      isGone = true;
      asked.cancel();
    };
  }, [inspector, rating, seed, run]);
  // What was found for another rating is shown only for as long as the new one is being tried.
  const isShown = progress !== undefined || trial?.rating === rating;
  return {
    trial: isShown ? trial : undefined,
    progress,
    cancel: () => cancel.current(),
    tryAgain: () => setRun(run + 1),
    tryAnotherSeed: () => setSeed(seed + 1),
  };
}

/** The odds in a wall of the block, by trying charges before it, and the crater that each leaves. */
export function Wall({ rating }: { rating: number }) {
  const trying = useTrial(rating);
  const { trial, progress } = trying;
  return (
    <div className={progress !== undefined ? styles['trying'] : undefined}>
      {trial && (
        <Curve
          label="Odds of survival in a wall"
          x={{ label: 'cells before the wall', values: distances }}
          y="survives"
          most={1}
          say={percent}
          lines={charges.map(({ name, strength }, i) => ({
            name: `${name} ${strength}`,
            values: itemAt(trial.odds, i).map(({ odds }) => odds),
            low: itemAt(trial.odds, i).map(({ low }) => low),
            high: itemAt(trial.odds, i).map(({ high }) => high),
          }))}
        />
      )}
      <p className="note" aria-live="polite">
        <TrialNote {...trying} />
      </p>
      {trial && <Craters craters={trial.crater} />}
    </div>
  );
}

function TrialNote(props: ReturnType<typeof useTrial>) {
  const { trial, progress, cancel, tryAgain, tryAnotherSeed } = props;
  if (progress !== undefined)
    return (
      <>
        Trying charges before a wall … {Math.round(progress * 100)}%{' '}
        <button type="button" className="tiny" onClick={cancel}>
          Cancel
        </button>
      </>
    );
  if (!trial)
    return (
      <>
        Cancelled.{' '}
        <button type="button" className="tiny" onClick={tryAgain}>
          Try it
        </button>
      </>
    );
  return (
    <>
      {samples} charges at each distance, seed {trial.seed}; the band holds the odds in 95 of 100
      cases.{' '}
      <button type="button" className="tiny" onClick={tryAnotherSeed}>
        Try another seed
      </button>
    </>
  );
}

/** The crater of one of the charges, cut open. */
function Craters({ craters }: { craters: readonly Crater[] }) {
  const [charge, setCharge] = useState(1);
  const crater = craters[charge];
  if (!crater) return null;
  const front = percent(itemAt(itemAt(crater.gone, 0), chargeLayer));
  return (
    <div className={styles['crater']}>
      <SegmentedControl
        size="xs"
        aria-label="Charge before the wall"
        value={String(charge)}
        onChange={(value) => setCharge(Number(value))}
        data={charges.map(({ name }, i) => ({ value: String(i), label: name }))}
      />
      <div
        className={styles['wall']}
        role="img"
        aria-label={
          `Crater of a ${itemAt(charges, charge).name} in a wall of it: the front block is gone ` +
          `in ${front}`
        }
        style={{ gridTemplateColumns: `26px repeat(${crater.gone.length}, 1fr)` }}
      >
        {itemAt(crater.gone, 0).flatMap((_, y) => [
          <i key={`${y} charge`} className={styles['air']}>
            {y === chargeLayer ? <b title="The charge" /> : null}
          </i>,
          ...crater.gone.map((layer, z) => <Gone key={`${y} ${z}`} share={itemAt(layer, y)} />),
        ])}
      </div>
      <p className="note">
        The wall cut open, the charge touching it from the left: in how many of 100 blasts each
        block is gone.
      </p>
    </div>
  );
}

/** How often one block of the wall is gone, as a number and as a colour. */
const Gone = ({ share }: { share: number }) => (
  <i
    style={{
      background: `color-mix(in srgb, var(--brick-soft) ${(share * 100).toFixed(0)}%, var(--tide-soft))`,
    }}
  >
    {share >= 0.005 ? Math.round(share * 100) : ''}
  </i>
);
