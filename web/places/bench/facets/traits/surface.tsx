import { NumberInput } from '@mantine/core';
import { stockNamed, type Traits } from '../../../../../core/mod/index.ts';
import type { ByState } from '../../../../../core/states/index.ts';
import { valueIn } from '../../../../../core/states/index.ts';
import {
  bounces,
  burning,
  meanSeconds,
  oddsWithin,
  slide,
  walkingSpeed,
} from '../../../../../core/traits/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { firstWhen, RowsEditor } from '../../../../parts/rows-editor.tsx';
import { Still } from '../../../../parts/still.tsx';
import { Ruler } from '../../ruler.tsx';
import { ticksOf, traitWords, type TraitEditor } from './trait-editor.ts';

const amount = (value: number): string =>
  value >= 10 ? value.toFixed(0) : value >= 1 ? value.toFixed(1) : value.toFixed(2);

/** A number of a trait in a field. */
export function TraitNumber({
  of: { traits, put },
  name,
  unit,
  step = 0.05,
}: {
  of: TraitEditor;
  name:
    | 'blastRating'
    | 'catchesFire'
    | 'burnsAway'
    | 'scatter'
    | 'alphaCutoff'
    | 'bounce'
    | 'speedOnTop';
  unit?: string;
  step?: number;
}) {
  return (
    <NumberInput
      aria-label={traitWords(name)}
      w={110}
      hideControls
      step={step}
      value={traits[name]}
      onChange={(value) => typeof value === 'number' && put(name, value)}
      rightSection={
        unit ? (
          <span className="note" style={{ fontSize: 11 }}>
            {unit}
          </span>
        ) : undefined
      }
      rightSectionWidth={unit ? unit.length * 6 + 12 : undefined}
    />
  );
}

/** A comparison as bars: this block first, then what one knows. */
function Beside({
  label,
  rows,
  unit,
}: {
  label: string;
  rows: [string, number | undefined][];
  unit: string;
}) {
  const most = Math.max(
    ...rows.map(([, value]) => (value === undefined || value === Infinity ? 0 : value)),
    1e-9,
  );
  return (
    <div className="bars" role="table" aria-label={label}>
      {rows.map(([name, value]) => (
        <div key={name} role="row" className="tool-bar short">
          <span role="cell">{name}</span>
          <span role="cell" className="lines">
            <u
              className={value === Infinity ? 'none' : undefined}
              style={{ width: value === Infinity ? '100%' : `${((value ?? 0) / most) * 100}%` }}
            />
          </span>
          <span role="cell" className="mono">
            {value === undefined
              ? 'never'
              : value === Infinity
                ? 'without end'
                : `${amount(value)} ${unit}`}
          </span>
        </div>
      ))}
    </div>
  );
}

/** Friction as the way one slides, bounce as the heights one comes back to, and the speed on top. */
export function Surface(of: TraitEditor) {
  const {
    traits,
    put,
    own,
    seen,
    declared,
    editor: { block },
    state,
  } = of;
  const {
    header: { tickRate },
  } = useMod();
  const friction = valueIn(traits.friction, block.space, state) ?? 0.6;
  const many = Array.isArray(declared.friction);
  const set = (value: number) => put('friction', value as ByState<number> as Traits['friction']);
  const far = (name: string) => slide(stockNamed(name)!.traits.friction as number, tickRate).blocks;
  return (
    <>
      <Still of={[...seen('friction'), state, block.space.properties, tickRate]}>
        {() => (
          <Field
            label="Friction"
            {...own('friction')}
            value={
              many ? (
                <span className="mono value">{friction} in this state</span>
              ) : (
                <NumberInput
                  aria-label="friction"
                  w={110}
                  hideControls
                  step={0.05}
                  value={friction}
                  onChange={(value) => typeof value === 'number' && set(value)}
                />
              )
            }
          >
            {!many && (
              <Ruler
                label="Friction on the ruler"
                value={friction}
                low={0}
                high={1}
                step={0.05}
                ticks={ticksOf.friction}
                of={(one) => one.traits.friction[0]?.value}
                onValue={set}
              />
            )}
            <Beside
              label="How far one slides"
              unit="blocks"
              rows={[
                ['this block', slide(friction, tickRate).blocks],
                ['ice', far('ice')],
                ['granite', far('granite')],
              ]}
            />
            <p className="note">
              So far one slides on after letting go at a walk of {walkingSpeed} blocks a second
              {friction > 0 && friction < 1
                ? `, for ${slide(friction, tickRate).seconds.toFixed(1)} s`
                : ''}
              .
            </p>
            {many ? (
              <RowsEditor<number>
                what="friction"
                rows={traits.friction}
                space={block.space}
                inline
                fresh={() => friction}
                onRows={(_label, rows) =>
                  put(
                    'friction',
                    (rows.length === 1 && !rows[0]!.when
                      ? rows[0]!.value
                      : [...rows]) as Traits['friction'],
                  )
                }
                value={(value, onValue, i) => (
                  <NumberInput
                    w={58}
                    hideControls
                    step={0.05}
                    aria-label={`Friction, row ${i + 1}`}
                    value={value}
                    onChange={(next) => typeof next === 'number' && onValue(next)}
                  />
                )}
              />
            ) : (
              block.space.size > 1 && (
                <button
                  type="button"
                  className="tiny"
                  onClick={() =>
                    put('friction', [
                      { when: firstWhen(block.space), value: friction },
                      { value: friction },
                    ] as Traits['friction'])
                  }
                >
                  Make it depend on the state
                </button>
              )
            )}
          </Field>
        )}
      </Still>
      <Still of={seen('bounce')}>
        {() => (
          <Field
            label="Bounce"
            {...own('bounce')}
            value={<TraitNumber of={of} name="bounce" />}
            note={bounceNote(traits.bounce)}
          />
        )}
      </Still>
      <Still of={seen('speedOnTop')}>
        {() => (
          <Field
            label="Speed on top"
            {...own('speedOnTop')}
            value={<TraitNumber of={of} name="speedOnTop" unit="times" />}
            note={
              traits.speedOnTop === 1
                ? 'One walks on it as anywhere.'
                : `Ten blocks take ${amount(10 / (walkingSpeed * Math.max(0.01, traits.speedOnTop)))} s of walking instead of ${10 / walkingSpeed} s.`
            }
          />
        )}
      </Still>
    </>
  );
}

function bounceNote(bounce: number): string {
  if (bounce <= 0) return 'Whoever falls on it stays down.';
  if (bounce >= 1) return 'Whoever falls on it never comes to rest.';
  const heights = bounces(bounce, 4);
  return heights.length
    ? `After a fall of 4 blocks one comes back ${heights.slice(0, 4).map(amount).join(', ')}${heights.length > 4 ? ' …' : ''} blocks high.`
    : 'Too little to be seen after a fall of 4 blocks.';
}

/** Catching fire and burning away, as mean times and odds beside timber and thatch. */
export function Fire(of: TraitEditor) {
  const { traits, put, own, seen } = of;
  const { caught, gone } = burning(traits.catchesFire, traits.burnsAway);
  const beside = (name: string) =>
    burning(stockNamed(name)!.traits.catchesFire, stockNamed(name)!.traits.burnsAway);
  return (
    <>
      <Still of={seen('catchesFire', 'burnsAway')}>
        {() => (
          <Field
            label="Catches fire"
            {...own('catchesFire')}
            value={<TraitNumber of={of} name="catchesFire" unit="a second" step={0.01} />}
          >
            {traits.catchesFire > 0 && (
              <Ruler
                label="Catching fire on the ruler"
                value={traits.catchesFire}
                low={0.01}
                high={1}
                log
                step={0.01}
                ticks={ticksOf.catchesFire}
                of={(block) =>
                  block.traits.catchesFire > 0 ? block.traits.catchesFire : undefined
                }
                onValue={(value) => put('catchesFire', value)}
              />
            )}
            {traits.catchesFire > 0 && (
              <Beside
                label="Seconds until it is gone"
                unit="s"
                rows={[
                  ['this block', gone],
                  ['timber', beside('timber').gone],
                  ['thatch', beside('thatch').gone],
                ]}
              />
            )}
            <p className="note">
              {caught === undefined
                ? 'It never burns.'
                : `Beside a flame it catches after ${amount(caught)} s on average, and within 5 s in ${Math.round(oddsWithin(traits.catchesFire, 5) * 100)} of 100; ${gone === undefined ? 'it never burns away.' : `gone after ${amount(gone)} s in all.`}`}
            </p>
          </Field>
        )}
      </Still>
      {traits.catchesFire > 0 && (
        <Still of={seen('burnsAway')}>
          {() => (
            <Field
              label="Burns away"
              {...own('burnsAway')}
              value={<TraitNumber of={of} name="burnsAway" unit="a second" step={0.01} />}
              note={
                traits.burnsAway > 0
                  ? `Once it burns it is gone after ${amount(meanSeconds(traits.burnsAway)!)} s on average.`
                  : 'It burns for ever.'
              }
            />
          )}
        </Still>
      )}
    </>
  );
}
