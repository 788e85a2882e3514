import { SegmentedControl, Switch } from '@mantine/core';
import { memo } from 'react';
import { alphaModes, hidesNeighbours, type TraitName } from '../../../../../core/mod/index.ts';
import { Field } from '../../../../parts/field.tsx';
import { MapColour } from './map-colour.tsx';
import { TintField } from './tint-field.tsx';
import { useTraitEditor, type TraitPlace } from './trait-editor.ts';
import { TraitNumber } from './trait-number.tsx';

const alphaNotes = {
  opaque: 'Every texel is drawn solid.',
  mask: 'A texel is drawn or a hole.',
  blend: 'Texels may be partly clear; they are drawn last, from the back.',
} as const;
const hidesNotes = {
  whole:
    'Every face that touches it is left out. Right only for what fills its cell and has no holes.',
  'by side': 'Faces are left out on the sides that its model fills whole.',
  'by shape': 'Faces are left out where its model covers them, a slab beside a slab too.',
  never: 'No face is left out for it.',
} as const;

/** How the block is drawn, and its colour on the map. The stage shows each as it will be. */
export const Display = memo(function Display(place: TraitPlace) {
  return (
    <>
      <AlphaMode {...place} />
      <AlphaCutoff {...place} />
      <HidesNeighbours {...place} />
      <Toggle
        {...place}
        trait="joinsOwnKind"
        label="Joins with its own kind"
        note="Two of them side by side have no face between, as panes of glass."
      />
      <Tint {...place} />
      <Scatter {...place} />
      <MapColour {...place} />
      <Toggle
        {...place}
        trait="shadedCorners"
        label="Shaded corners"
        note="Corners where blocks meet are drawn a little darker."
      />
    </>
  );
});

const AlphaMode = memo(function AlphaMode(place: TraitPlace) {
  const { traits, put, own } = useTraitEditor(place, 'alphaMode');
  return (
    <Field
      label="Alpha mode"
      {...own('alphaMode')}
      value={
        <SegmentedControl
          aria-label="Alpha mode"
          value={traits.alphaMode}
          onChange={(value) => put('alphaMode', value)}
          data={[...alphaModes]}
        />
      }
      note={alphaNotes[traits.alphaMode]}
    />
  );
});

const AlphaCutoff = memo(function AlphaCutoff(place: TraitPlace) {
  const editor = useTraitEditor(place, 'alphaCutoff', 'alphaMode');
  if (editor.traits.alphaMode !== 'mask') return null;
  return (
    <Field
      label="Cut-off"
      {...editor.own('alphaCutoff')}
      value={<TraitNumber editor={editor} name="alphaCutoff" />}
      note="Texels with less alpha than this are holes."
    />
  );
});

const HidesNeighbours = memo(function HidesNeighbours(place: TraitPlace) {
  const { traits, put, own } = useTraitEditor(place, 'hidesNeighbours');
  return (
    <Field
      label="Hides neighbours"
      {...own('hidesNeighbours')}
      note={hidesNotes[traits.hidesNeighbours]}
    >
      <SegmentedControl
        fullWidth
        aria-label="Hides neighbours"
        value={traits.hidesNeighbours}
        onChange={(value) => put('hidesNeighbours', value)}
        data={[...hidesNeighbours]}
      />
    </Field>
  );
});

interface ToggleProps extends TraitPlace {
  trait: Extract<TraitName, 'joinsOwnKind' | 'shadedCorners'>;
  label: string;
  note: string;
}

/** A trait that is so or is not. */
const Toggle = memo(function Toggle({ trait, label, note, ...place }: ToggleProps) {
  const { traits, put, own } = useTraitEditor(place, trait);
  return (
    <Field
      label={label}
      {...own(trait)}
      value={
        <Switch
          aria-label={label}
          checked={traits[trait]}
          onChange={(event) => put(trait, event.currentTarget.checked)}
        />
      }
      note={note}
    />
  );
});

const Tint = memo(function Tint(place: TraitPlace) {
  const { traits, put, own } = useTraitEditor(place, 'tint');
  const { tint } = traits;
  return (
    <TintField
      {...own('tint')}
      tint={tint}
      onTint={(value) => put('tint', value)}
      note={
        tint === 'none' ? undefined : 'Its textures are multiplied by it, so they are best grey.'
      }
    />
  );
});

const Scatter = memo(function Scatter(place: TraitPlace) {
  const editor = useTraitEditor(place, 'scatter');
  const { scatter } = editor.traits;
  const note = `Each stands up to ${scatter} texels off the middle; the stage shows it in a patch.`;
  return (
    <Field
      label="Scatter"
      {...editor.own('scatter')}
      value={<TraitNumber editor={editor} name="scatter" step={0.5} />}
      note={scatter > 0 ? note : undefined}
    />
  );
});
