import clsx from 'clsx';
import { memo } from 'react';
import { NumberInput } from '@mantine/core';
import { stockNamed } from '../../../../../core/mod/index.ts';
import { fromRows, valueIn } from '../../../../../core/states/index.ts';
import { bounces, slide, walkingSpeed } from '../../../../../core/traits/index.ts';
import { useModPart } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { MakeItDepend } from '../../../../parts/make-it-depend.tsx';
import { firstWhen, RowsEditor } from '../../../../parts/rows-editor.tsx';
import { Ruler } from '../../ruler.tsx';
import { amount, Comparison } from './comparison.tsx';
import { ticksOf, useTraitEditor, type TraitEditor, type TraitPlace } from './trait-editor.ts';
import { TraitNumber } from './trait-number.tsx';
import styles from '../../../../parts/field.module.css';

/** Friction as the way one slides. */
export const Friction = memo(function Friction(place: TraitPlace) {
  const editor = useTraitEditor(place, 'friction');
  const { traits, put, own, declared, state, block } = editor;
  const tickRate = useModPart((mod) => mod.header.tickRate);
  const friction = valueIn(traits.friction, block.space, state) ?? 0.6;
  const many = Array.isArray(declared.friction);
  return (
    <Field
      label="Friction"
      {...own('friction')}
      value={
        many ? (
          <span className={clsx('mono', styles['value'])}>{friction} in this state</span>
        ) : (
          <NumberInput
            aria-label="friction"
            w={110}
            hideControls
            step={0.05}
            value={friction}
            onChange={(value) => typeof value === 'number' && put('friction', value)}
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
          onValue={(value) => put('friction', value)}
        />
      )}
      <Sliding friction={friction} tickRate={tickRate} />
      {many && <FrictionRows {...editor} usual={friction} />}
      {!many && block.space.size > 1 && (
        <MakeItDepend
          what="friction"
          onMake={() =>
            put('friction', [
              { when: firstWhen(block.space), value: friction },
              { value: friction },
            ])
          }
        />
      )}
    </Field>
  );
});

/** How far one slides on this friction, beside ice and granite. */
function Sliding({ friction, tickRate }: { friction: number; tickRate: number }) {
  const stockFriction = (name: string) => {
    const given = stockNamed(name)?.traits.friction;
    return typeof given === 'number' ? slide(given, tickRate).blocks : undefined;
  };
  const { blocks, seconds } = slide(friction, tickRate);
  return (
    <>
      <Comparison
        label="How far one slides"
        unit="blocks"
        rows={[
          ['this block', blocks],
          ['ice', stockFriction('ice')],
          ['granite', stockFriction('granite')],
        ]}
      />
      <p className="note">
        So far one slides on after letting go at a walk of {walkingSpeed} blocks a second
        {friction > 0 && friction < 1 ? `, for ${seconds.toFixed(1)} s` : ''}.
      </p>
    </>
  );
}

/** Friction by state, row by row. */
function FrictionRows({ traits, put, block, usual }: TraitEditor & { usual: number }) {
  return (
    <RowsEditor<number>
      what="friction"
      rows={traits.friction}
      space={block.space}
      inline
      fresh={() => usual}
      onRows={(_label, rows) => put('friction', fromRows(rows))}
      value={(value, onValue, row) => (
        <NumberInput
          w={58}
          hideControls
          step={0.05}
          aria-label={`Friction, row ${row + 1}`}
          value={value}
          onChange={(next) => typeof next === 'number' && onValue(next)}
        />
      )}
    />
  );
}

/** Bounce as the heights that one comes back to. */
export const Bounce = memo(function Bounce(place: TraitPlace) {
  const editor = useTraitEditor(place, 'bounce');
  const { traits, own } = editor;
  return (
    <Field
      label="Bounce"
      {...own('bounce')}
      value={<TraitNumber editor={editor} name="bounce" />}
      note={bounceNote(traits.bounce)}
    />
  );
});

function bounceNote(bounce: number): string {
  if (bounce <= 0) return 'Whoever falls on it stays down.';
  if (bounce >= 1) return 'Whoever falls on it never comes to rest.';
  const heights = bounces(bounce, 4);
  if (!heights.length) return 'Too little to be seen after a fall of 4 blocks.';
  const shown = heights.slice(0, 4).map(amount).join(', ');
  return (
    `After a fall of 4 blocks one comes back ${shown}${heights.length > 4 ? ' …' : ''} ` +
    'blocks high.'
  );
}

/** The speed on top as the time that ten blocks take. */
export const SpeedOnTop = memo(function SpeedOnTop(place: TraitPlace) {
  const editor = useTraitEditor(place, 'speedOnTop');
  const { traits, own } = editor;
  const seconds = 10 / (walkingSpeed * Math.max(0.01, traits.speedOnTop));
  return (
    <Field
      label="Speed on top"
      {...own('speedOnTop')}
      value={<TraitNumber editor={editor} name="speedOnTop" />}
      note={
        traits.speedOnTop === 1
          ? 'One walks on it as anywhere.'
          : `Ten blocks take ${amount(seconds)} s of walking instead of ${10 / walkingSpeed} s.`
      }
    />
  );
});
