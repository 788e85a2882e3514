import { NumberInput, SegmentedControl, Select } from '@mantine/core';
import { memo, useMemo, useState } from 'react';
import { stockNamed, stocks } from '../../../../../core/mod/index.ts';
import { charges, oddsBehindCover, oddsInTheOpen } from '../../../../../core/traits/index.ts';
import { Curve } from '../../../../parts/curve/curve.tsx';
import { Field } from '../../../../parts/field.tsx';
import { Ruler } from '../../ruler.tsx';
import { percent } from './odds.ts';
import { TraitNumber } from './trait-number.tsx';
import { Wall } from './wall.tsx';
import { ticksOf, useTraitEditor, type TraitPlace } from './trait-editor.ts';
import styles from './traits.module.css';

const far = Array.from({ length: 24 }, (_, i) => i + 1);
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
      <div className={styles['sentence']}>
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
