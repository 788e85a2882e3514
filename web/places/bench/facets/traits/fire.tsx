import { memo } from 'react';
import { stockNamed } from '../../../../../core/mod/index.ts';
import { burning, meanSeconds, oddsWithin } from '../../../../../core/traits/index.ts';
import { Field } from '../../../../parts/field.tsx';
import { Ruler } from '../../ruler.tsx';
import { amount, Comparison } from './comparison.tsx';
import { ticksOf, useTraitEditor, type TraitPlace } from './trait-editor.ts';
import { TraitNumber } from './trait-number.tsx';

/** Catching fire as a mean time and odds, beside timber and thatch. */
export const CatchesFire = memo(function CatchesFire(place: TraitPlace) {
  const editor = useTraitEditor(place, 'catchesFire', 'burnsAway');
  const { traits, put, own } = editor;
  const { catchesFire, burnsAway } = traits;
  return (
    <Field
      label="Catches fire"
      {...own('catchesFire')}
      value={<TraitNumber editor={editor} name="catchesFire" step={0.01} />}
      note={fireNote(catchesFire, burnsAway)}
    >
      {catchesFire > 0 && (
        <>
          <Ruler
            label="Catching fire on the ruler"
            value={catchesFire}
            low={0.01}
            high={1}
            log
            step={0.01}
            ticks={ticksOf.catchesFire}
            of={(block) => block.traits.catchesFire || undefined}
            onValue={(value) => put('catchesFire', value)}
          />
          <Comparison
            label="Seconds until it is gone"
            unit="s"
            rows={[
              ['this block', burning(catchesFire, burnsAway).gone],
              ['timber', secondsUntilGone('timber')],
              ['thatch', secondsUntilGone('thatch')],
            ]}
          />
        </>
      )}
    </Field>
  );
});

function secondsUntilGone(stock: string): number | undefined {
  const traits = stockNamed(stock)?.traits;
  return traits && burning(traits.catchesFire, traits.burnsAway).gone;
}

function fireNote(catchesFire: number, burnsAway: number): string {
  const { caught, gone } = burning(catchesFire, burnsAway);
  if (caught === undefined) return 'It never burns.';
  const soon = Math.round(oddsWithin(catchesFire, 5) * 100);
  const end = gone === undefined ? 'it never burns away.' : `gone after ${amount(gone)} s in all.`;
  return (
    `Beside a flame it catches after ${amount(caught)} s on average, and within 5 s in ` +
    `${soon} of 100; ${end}`
  );
}

/** Burning away as a mean time; only what catches fire burns. */
export const BurnsAway = memo(function BurnsAway(place: TraitPlace) {
  const editor = useTraitEditor(place, 'burnsAway', 'catchesFire');
  const { traits, own } = editor;
  if (traits.catchesFire <= 0) return null;
  const mean = meanSeconds(traits.burnsAway);
  return (
    <Field
      label="Burns away"
      {...own('burnsAway')}
      value={<TraitNumber editor={editor} name="burnsAway" step={0.01} />}
      note={
        mean === undefined
          ? 'It burns for ever.'
          : `Once it burns it is gone after ${amount(mean)} s on average.`
      }
    />
  );
});
