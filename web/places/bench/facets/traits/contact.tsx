import { memo } from 'react';
import {
  costOfCrossing,
  secondsToLive,
  sinkingSpeed,
  wadingSpeed,
  walkingSpeed,
} from '../../../../../core/traits/index.ts';
import { useModPart } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { amount, Comparison } from './comparison.tsx';
import { useTraitEditor, type TraitPlace } from './trait-editor.ts';
import { TraitNumber } from './trait-number.tsx';

/** Drag as the speeds that are left inside: walking through it, and sinking in it. */
export const DragInside = memo(function DragInside(place: TraitPlace) {
  const editor = useTraitEditor(place, 'dragInside');
  const { traits, own } = editor;
  const tickRate = useModPart((mod) => mod.header.tickRate);
  const drag = Math.max(0, traits.dragInside);
  return (
    <Field
      label="Drag inside"
      {...own('dragInside')}
      value={<TraitNumber editor={editor} name="dragInside" />}
      note={
        drag > 0
          ? 'Blocks a second that are left to whoever is inside.'
          : 'One moves through it as through air, if it lets one in.'
      }
    >
      {drag > 0 && (
        <Comparison
          label="How fast one is inside"
          unit=""
          rows={[
            ['wading in it', wadingSpeed(drag)],
            ['walking', walkingSpeed],
            ['sinking in it', sinkingSpeed(drag, tickRate)],
          ]}
        />
      )}
    </Field>
  );
});

/** How far a way through it is, for the cost of crossing. */
const wayThrough = 3;

/** Harm as the time that one has, and what a short way through it costs. */
export const HarmOnTouch = memo(function HarmOnTouch(place: TraitPlace) {
  const editor = useTraitEditor(place, 'harmOnTouch', 'dragInside');
  const { traits, own } = editor;
  return (
    <Field
      label="Harm on touch"
      {...own('harmOnTouch')}
      value={<TraitNumber editor={editor} name="harmOnTouch" />}
      note={harmNote(traits)}
    />
  );
});

function harmNote(traits: { harmOnTouch: number; dragInside: number }): string {
  const seconds = secondsToLive(traits.harmOnTouch);
  if (seconds === undefined) return 'Touching it does no harm.';
  const cost = Math.round(costOfCrossing(traits, wayThrough) * 100);
  const crossing = `${wayThrough} blocks through or over it cost ${cost} of 100 parts of a life.`;
  return `A whole life is gone after ${amount(seconds)} s of touching it; ${crossing}`;
}
