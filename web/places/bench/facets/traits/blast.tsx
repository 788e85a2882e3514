import { itemAt } from '../../../../../core/lists/index.ts';
import { NumberInput, SegmentedControl, Select } from '@mantine/core';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { stockNamed, stocks } from '../../../../../core/mod/index.ts';
import {
  charges,
  oddsBehindCover,
  oddsInTheOpen,
  type Crater,
  type Estimate,
} from '../../../../../core/traits/index.ts';
import { useInspector } from '../../../../api/hooks.tsx';
import { Curve } from '../../../../parts/curve/curve.tsx';
import { Field } from '../../../../parts/field.tsx';
import { Ruler } from '../../ruler.tsx';
import { TraitNumber } from './trait-number.tsx';
import { ticksOf, useTraitEditor, type TraitPlace } from './trait-editor.ts';

const far = Array.from({ length: 24 }, (_, i) => i + 1);
/** A wall is tried at these distances, so often each. */
const [wallFar, samples] = [[1, 2, 3, 4, 6, 8, 12], 150];
const percent = (odds: number): string =>
  odds > 0.995 && odds < 1
    ? '> 99%'
    : odds < 0.005 && odds > 0
      ? '< 1%'
      : `${Math.round(odds * 100)}%`;
const ways = ['In the open', 'Behind cover', 'In a wall'] as const;

/**
 * The blast rating, and the odds that the block survives each charge: exact alone and behind cover,
 * by simulation in a wall.
 */
export const Blast = memo(function Blast(place: TraitPlace) {
  const editor = useTraitEditor(place, 'blastRating');
  const {
    traits: { blastRating },
    put,
    own,
  } = editor;
  const [way, setWay] = useState<(typeof ways)[number]>('In the open');
  const rating = Math.max(0, blastRating);
  return (
    <Field
      label="Blast rating"
      {...own('blastRating')}
      value={<TraitNumber editor={editor} name="blastRating" step={0.5} />}
    >
      <Ruler
        label="Blast rating on the ruler"
        value={blastRating}
        low={0.4}
        high={40}
        log
        step={0.5}
        ticks={ticksOf.blastRating}
        of={(block) => block.traits.blastRating}
        onValue={(value) => put('blastRating', value)}
      />
      <p className="note">
        It survives nine times in ten:{' '}
        {charges
          .map(({ name, strength }) => `a ${name} (${strength}) ${safeFrom(rating, strength)}`)
          .join(', ')}
        .
      </p>
      <SegmentedControl
        fullWidth
        my={6}
        aria-label="Where it stands"
        value={way}
        onChange={(value) => setWay(value)}
        data={[...ways]}
      />
      {way === 'In the open' ? (
        <Open rating={rating} />
      ) : way === 'Behind cover' ? (
        <Covered rating={rating} />
      ) : (
        <Wall rating={rating} />
      )}
    </Field>
  );
});

/** From how far on the block survives nine times in ten. */
function safeFrom(rating: number, strength: number): string {
  const from = far.find((distance) => oddsInTheOpen(rating, strength, distance) >= 0.9);
  return from === 1
    ? 'even touching'
    : from === undefined
      ? `not even ${far.length} cells away`
      : `from ${from} cells away`;
}

const lineOf = (strength: number, name: string, odds: (distance: number) => number) => ({
  name: `${name} ${strength}`,
  values: far.map(odds),
});

function Open({ rating }: { rating: number }) {
  return (
    <>
      <Curve
        label="Odds of survival in the open"
        x={{ label: 'cells away', values: far }}
        y="survives"
        most={1}
        say={percent}
        lines={charges.map(({ name, strength }) =>
          lineOf(strength, name, (distance) => oddsInTheOpen(rating, strength, distance)),
        )}
      />
      <p className="note">Exact, for one block alone with nothing between.</p>
    </>
  );
}

function Covered({ rating }: { rating: number }) {
  const [cover, setCover] = useState('brick');
  const [thick, setThick] = useState(1);
  const between = stockNamed(cover)!.traits.blastRating;
  const lines = useMemo(
    () =>
      charges.map(({ name, strength }) =>
        lineOf(strength, name, (distance) =>
          oddsBehindCover(rating, strength, distance, { rating: between, thick }),
        ),
      ),
    [rating, between, thick],
  );
  return (
    <>
      <div className="sentence">
        behind{' '}
        <Select
          aria-label="Cover"
          w={104}
          allowDeselect={false}
          data={stocks.map(({ name, title }) => ({ value: name, label: title }))}
          value={cover}
          onChange={(value) => value && setCover(value)}
        />{' '}
        <NumberInput
          aria-label="Thickness of the cover"
          w={52}
          min={1}
          max={4}
          value={thick}
          onChange={(value) =>
            typeof value === 'number' && setThick(Math.max(1, Math.min(4, Math.round(value))))
          }
        />{' '}
        thick
      </div>
      <Curve
        label="Odds of survival behind cover"
        x={{ label: 'cells away', values: far }}
        y="survives"
        most={1}
        say={percent}
        lines={lines}
      />
      <p className="note">
        Exact, with the cover right before it: what rays break of the cover is gone for those that
        follow.
      </p>
    </>
  );
}

function Wall({ rating }: { rating: number }) {
  const inspector = useInspector();
  const [seed, setSeed] = useState(1);
  const [charge, setCharge] = useState(1);
  const [found, setFound] = useState<{
    crater: Crater[];
    odds: Estimate[][];
    rating: number;
    seed: number;
  }>();
  const [progress, setProgress] = useState<number | undefined>(0);
  const stop = useRef(() => {});
  const [run, setRun] = useState(0);
  useEffect(() => {
    // The work begins here, so its progress does.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setProgress(0);
    const asked = inspector.blast(
      { rating, strengths: charges.map((one) => one.strength), distances: wallFar, samples, seed },
      (done, total) => setProgress(done / total),
    );
    stop.current = asked.cancel;
    let gone = false;
    void asked.found.then((answer) => {
      if (gone) return;
      if (answer) setFound({ ...answer, rating, seed });
      setProgress(undefined);
    });
    return () => {
      gone = true;
      asked.cancel();
    };
  }, [inspector, rating, seed, run]);
  // What was found for another rating is shown only for as long as the new one is being tried.
  const tried = progress !== undefined || found?.rating === rating ? found : undefined;
  const crater = tried?.crater[charge];
  return (
    <div className={progress !== undefined ? 'trying' : undefined}>
      {tried && (
        <Curve
          label="Odds of survival in a wall"
          x={{ label: 'cells before the wall', values: wallFar }}
          y="survives"
          most={1}
          say={percent}
          lines={charges.map(({ name, strength }, i) => ({
            name: `${name} ${strength}`,
            values: itemAt(tried.odds, i).map((one) => one.odds),
            low: itemAt(tried.odds, i).map((one) => one.low),
            high: itemAt(tried.odds, i).map((one) => one.high),
          }))}
        />
      )}
      <p className="note" aria-live="polite">
        {progress !== undefined ? (
          <>
            Trying charges before a wall … {Math.round(progress * 100)}%{' '}
            <button type="button" className="tiny" onClick={() => stop.current()}>
              Cancel
            </button>
          </>
        ) : tried ? (
          <>
            {samples} charges at each distance, seed {tried.seed}; the band holds the odds in 95 of
            100 cases.{' '}
            <button type="button" className="tiny" onClick={() => setSeed(seed + 1)}>
              Try another seed
            </button>
          </>
        ) : (
          <>
            Cancelled.{' '}
            <button type="button" className="tiny" onClick={() => setRun(run + 1)}>
              Try it
            </button>
          </>
        )}
      </p>
      {crater && (
        <div className="crater">
          <SegmentedControl
            size="xs"
            aria-label="Charge before the wall"
            value={String(charge)}
            onChange={(value) => setCharge(Number(value))}
            data={charges.map(({ name }, i) => ({ value: String(i), label: name }))}
          />
          <div
            className="wall"
            role="img"
            aria-label={
              `Crater of a ${itemAt(charges, charge).name} in a wall of it: the front block is gone in ` +
              percent(itemAt(itemAt(crater.gone, 0), 5))
            }
            style={{ gridTemplateColumns: `26px repeat(${crater.gone.length}, 1fr)` }}
          >
            {itemAt(crater.gone, 0).flatMap((_, y) => [
              <i key={`${y} charge`} className="air">
                {y === 5 ? <b title="The charge" /> : null}
              </i>,
              ...crater.gone.map((layer, z) => (
                <i
                  key={`${y} ${z}`}
                  style={{
                    background:
                      `color-mix(in srgb, var(--brick-soft) ${(itemAt(layer, y) * 100).toFixed(0)}%, ` +
                      'var(--tide-soft))',
                  }}
                >
                  {itemAt(layer, y) >= 0.005 ? Math.round(itemAt(layer, y) * 100) : ''}
                </i>
              )),
            ])}
          </div>
          <p className="note">
            The wall cut open, the charge touching it from the left: in how many of 100 blasts each
            block is gone.
          </p>
        </div>
      )}
    </div>
  );
}
