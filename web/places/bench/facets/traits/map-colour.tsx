import { ColorInput } from '@mantine/core';
import { memo, useDeferredValue } from 'react';
import {
  hardToTell,
  mapNeighbours,
  meanFromAbove,
  type MapNeighbour,
} from '../../../../../core/draw/index.ts';
import { lookUp, resolveBlock } from '../../../../../core/mod/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { Field } from '../../../../parts/field.tsx';
import { isColour, useTraitEditor, type TraitEditor, type TraitPlace } from './trait-editor.ts';
import styles from './map-colour.module.css';

/** The colour on a map, beside those that are near it. */
export const MapColour = memo(function MapColour(place: TraitPlace) {
  const editor = useTraitEditor(place, 'mapColour', 'tint');
  const { traits, put, own } = editor;
  return (
    <Field
      label="Map colour"
      {...own('mapColour')}
      value={
        <ColorInput
          aria-label="Map colour"
          withEyeDropper={false}
          w={120}
          value={traits.mapColour}
          onChangeEnd={(value) => isColour(value) && put('mapColour', value)}
        />
      }
    >
      <OnTheMap editor={editor} />
    </Field>
  );
});

/**
 * The colour among those that lie beside it on a map: the most alike first, and what its own
 * textures would give.
 */
function OnTheMap({ editor: { block: shown, state, traits, put } }: { editor: TraitEditor }) {
  // The colours of others, and its own textures, may change beside it.
  const mod = useDeferredValue(useMod());
  const declared = lookUp(mod.blocks, shown.name);
  const block = declared ? resolveBlock(mod, shown.name, declared) : shown;
  const mean = meanFromAbove(mod, block, state);
  const near = mapNeighbours(mod, block, 5);
  const [first] = near;
  return (
    <>
      <div
        className={styles['map']}
        role="img"
        aria-label={`On the map beside ${near.map(({ name }) => name).join(', ')}`}
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
        {first && <Nearest neighbour={first} />}
        {mean && mean !== traits.mapColour && (
          <button type="button" className="link plain" onClick={() => put('mapColour', mean)}>
            Take the mean of its top, {mean}
          </button>
        )}
        {mean === traits.mapColour && 'It is the mean of its top.'}
      </p>
    </>
  );
}

function Nearest({ neighbour: { name, apart, contrast } }: { neighbour: MapNeighbour }) {
  const figures = `${apart.toFixed(1)} apart, contrast ${contrast.toFixed(2)} to 1. `;
  return apart < hardToTell ? (
    <>
      Hard to tell from <b>{name}</b> on a map: {figures}
    </>
  ) : (
    <>
      Nearest on a map is {name}: {figures}
    </>
  );
}
