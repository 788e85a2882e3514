import { ColorInput, SegmentedControl, Select, Switch } from '@mantine/core';
import { useDeferredValue } from 'react';
import { hardToTell, mapNeighbours, meanFromAbove } from '../../../../../core/draw/index.ts';
import { alphaModes, hidesNeighbours, tints } from '../../../../../core/mod/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { Still } from '../../../../parts/still.tsx';
import type { TraitEditor } from './trait-editor.ts';
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
export function Display(editor: TraitEditor) {
  const { traits, put, own, seen, state } = editor;
  const { block } = editor.editor;
  const mod = useMod();
  return (
    <>
      <Still of={seen('alphaMode')}>
        {() => (
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
        )}
      </Still>
      {traits.alphaMode === 'mask' && (
        <Still of={seen('alphaCutoff')}>
          {() => (
            <Field
              label="Cut-off"
              {...own('alphaCutoff')}
              value={<TraitNumber editor={editor} name="alphaCutoff" />}
              note="Texels with less alpha than this are holes."
            />
          )}
        </Still>
      )}
      <Still of={seen('hidesNeighbours')}>
        {() => (
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
        )}
      </Still>
      <Still of={seen('joinsOwnKind')}>
        {() => (
          <Field
            label="Joins with its own kind"
            {...own('joinsOwnKind')}
            value={
              <Switch
                aria-label="Joins with its own kind"
                checked={traits.joinsOwnKind}
                onChange={(event) => put('joinsOwnKind', event.currentTarget.checked)}
              />
            }
            note="Two of them side by side have no face between, as panes of glass."
          />
        )}
      </Still>
      <Still of={seen('tint')}>
        {() => (
          <Field
            label="Tint"
            {...own('tint')}
            value={
              <span className="sentence">
                {traits.tint.startsWith('#') && (
                  <ColorInput
                    aria-label="Colour of the tint"
                    withEyeDropper={false}
                    w={112}
                    value={traits.tint}
                    onChangeEnd={(value) => /^#[0-9a-f]{6}$/.test(value) && put('tint', value)}
                  />
                )}
                <Select
                  aria-label="Tint"
                  w={104}
                  allowDeselect={false}
                  data={[
                    ...tints.map((value) => ({ value: value, label: value })),
                    { value: 'fixed', label: 'a colour' },
                  ]}
                  value={traits.tint.startsWith('#') ? 'fixed' : traits.tint}
                  onChange={(value) => value && put('tint', value === 'fixed' ? '#9bb56b' : value)}
                />
              </span>
            }
            note={
              traits.tint === 'none'
                ? undefined
                : 'Its textures are multiplied by it, so they are best grey.'
            }
          />
        )}
      </Still>
      <Still of={seen('scatter')}>
        {() => (
          <Field
            label="Scatter"
            {...own('scatter')}
            value={<TraitNumber editor={editor} name="scatter" step={0.5} />}
            note={
              traits.scatter > 0
                ? `Each stands up to ${traits.scatter} texels off the middle; the stage shows it in a ` +
                  'patch.'
                : undefined
            }
          />
        )}
      </Still>
      <Still of={[...seen('mapColour', 'tint'), mod.textures, mod.models, mod.blocks, state]}>
        {() => (
          <Field
            label="Map colour"
            {...own('mapColour')}
            value={
              <ColorInput
                aria-label="Map colour"
                withEyeDropper={false}
                w={120}
                value={traits.mapColour}
                onChangeEnd={(value) => /^#[0-9a-f]{6}$/.test(value) && put('mapColour', value)}
              />
            }
          >
            <MapColour {...editor} />
          </Field>
        )}
      </Still>
      <Still of={[...seen('shadedCorners'), block.name]}>
        {() => (
          <Field
            label="Shaded corners"
            {...own('shadedCorners')}
            value={
              <Switch
                aria-label="Shaded corners"
                checked={traits.shadedCorners}
                onChange={(event) => put('shadedCorners', event.currentTarget.checked)}
              />
            }
            note="Corners where blocks meet are drawn a little darker."
          />
        )}
      </Still>
    </>
  );
}

/**
 * The colour among those that lie beside it on a map: the most alike first, and what its own
 * textures would give.
 */
function MapColour({ traits, put, editor, state }: TraitEditor) {
  const mod = useDeferredValue(useMod());
  const block = useDeferredValue(editor.block);
  const mean = meanFromAbove(mod, block, state);
  const near = mapNeighbours(mod, block, 5);
  const first = near[0];
  return (
    <>
      <div
        className="map"
        role="img"
        aria-label={`On the map beside ${near.map((one) => one.name).join(', ')}`}
      >
        {near.map(({ name, colour, apart }) => (
          <span
            key={name}
            title={`${name} ${colour}: ${apart.toFixed(1)} apart`}
            style={{ background: colour }}
          >
            <i style={{ background: traits.mapColour }} />
          </span>
        ))}
      </div>
      <p className="note">
        {first &&
          (first.apart < hardToTell ? (
            <>
              Hard to tell from <b>{first.name}</b> on a map: {first.apart.toFixed(1)} apart,
              contrast {first.contrast.toFixed(2)} to 1.{' '}
            </>
          ) : (
            <>
              Nearest on a map is {first.name}: {first.apart.toFixed(1)} apart, contrast{' '}
              {first.contrast.toFixed(2)} to 1.{' '}
            </>
          ))}
        {mean && mean !== traits.mapColour && (
          <button
            type="button"
            className="link"
            style={{ fontWeight: 400 }}
            onClick={() => put('mapColour', mean)}
          >
            Take the mean of its top, {mean}
          </button>
        )}
        {mean === traits.mapColour && 'It is the mean of its top.'}
      </p>
    </>
  );
}
