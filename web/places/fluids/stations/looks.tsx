import { Button, ColorInput, SegmentedControl } from '@mantine/core';
import { Link } from 'react-router';
import {
  idOf,
  lookUp,
  ownName,
  usualFluid,
  type Change,
  type Fluid,
} from '../../../../core/mod/index.ts';
import { pointer } from '../../../../core/json/index.ts';
import { colourFromHex } from '../../../../core/textures/facts/index.ts';
import { blobAddress, texturePath } from '../../../api/address.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { complain } from '../../../parts/complain.ts';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { TintField } from '../../bench/facets/traits/tint-field.tsx';
import { surfacePictures } from '../new-fluid.tsx';
import { fluidColour } from '../section/ink.ts';
import type { StationProps } from './flow.tsx';
import styles from './stations.module.css';

/** What it looks like: its two pictures, what is seen through it, its light. */
export function LooksStation(props: StationProps) {
  const { fluid, edits } = props;
  const { put, name } = edits;
  const {
    alphaMode = usualFluid.alphaMode,
    sight = usualFluid.sight,
    light = usualFluid.light,
    absorbs = usualFluid.absorbs,
    tint = usualFluid.tint,
  } = fluid;
  const level = (label: string, part: 'light' | 'absorbs', value: number, note: string) => (
    <Field
      label={label}
      value={
        <NumberField
          label={label}
          value={value}
          least={0}
          most={15}
          onNumber={(next) => put(`${label} of ${name}`, part, Math.round(next))}
        />
      }
      note={note}
    />
  );
  return (
    <>
      <h2>What it looks like</h2>
      <SurfacePicture {...props} part="still" label="Still" note="Of a surface at rest." />
      <SurfacePicture
        {...props}
        part="flowing"
        label="Flowing"
        note="Its foot points where the fluid runs to."
      />
      <MakePictures {...props} />
      <Field
        label="What lies behind"
        value={
          <SegmentedControl
            aria-label="What lies behind"
            value={alphaMode}
            onChange={(value) =>
              put(`How ${name} is drawn`, 'alphaMode', value as Fluid['alphaMode'])
            }
            data={[
              { value: 'blend', label: 'shines through' },
              { value: 'opaque', label: 'is hidden' },
            ]}
          />
        }
      />
      <Field
        label="Sight within, blocks"
        value={
          <NumberField
            label="Sight within"
            value={sight}
            least={0.5}
            most={64}
            onNumber={(next) => put(`How far one sees in ${name}`, 'sight', next)}
          />
        }
        note="So far one sees with one's head in it."
      />
      <TintField tint={tint} onTint={(next) => put(`Tint ${name}`, 'tint', next)} />
      {level(
        'Light',
        'light',
        light,
        light ? `It lights ${light - 1} blocks around.` : 'It gives none.',
      )}
      {level(
        'Light lost a cell',
        'absorbs',
        absorbs,
        absorbs
          ? `Daylight is gone ${Math.ceil(15 / Math.max(1, absorbs))} cells deep.`
          : 'Light goes through as through air.',
      )}
      <MapColour {...props} />
    </>
  );
}

function SurfacePicture({
  fluid,
  edits,
  part,
  label,
  note,
}: StationProps & { part: 'still' | 'flowing'; label: string; note: string }) {
  const session = useSession();
  const { header, textures } = useMod();
  const id = fluid[part];
  const name = id === undefined ? undefined : ownName(header.namespace, id);
  const texture = name === undefined ? undefined : lookUp(textures, name);
  const ids = Object.keys(textures).map((one) => idOf(header.namespace, one));
  return (
    <Field
      label={label}
      note={note}
      value={
        <span className={styles['swatch']}>
          {texture && name !== undefined && (
            <Link
              to={`/m/${session.name}/${texturePath(name)}`}
              aria-label={`To the texture ${name}`}
            >
              <i
                className="crisp"
                style={{
                  display: 'block',
                  backgroundImage: `url(${blobAddress(texture.picture.sha256)})`,
                }}
              />
            </Link>
          )}
          <Choice
            w={210}
            aria-label={`${label} picture`}
            placeholder="No picture"
            data={id === undefined || ids.includes(id) ? ids : [id, ...ids]}
            error={id !== undefined && !ids.includes(id)}
            value={id ?? null}
            onTake={(next) => edits.put(`${label} picture of ${edits.name}`, part, next)}
          />
        </span>
      }
    />
  );
}

/** Both pictures anew, in the tones of a colour. */
function MakePictures({ fluid, edits: { name } }: StationProps) {
  const session = useSession();
  const mod = useMod();
  const make = () => {
    const colour = fluidColour(mod, fluid);
    surfacePictures(session, name, colour).then(({ changes, still, flowing }) => {
      const before = session.view.mod.fluids[name];
      if (!before) return;
      const parts = (['still', 'flowing'] as const).map((part): Change => ({
        path: pointer(['fluids', name, part]),
        before: before[part],
        after: part === 'still' ? still : flowing,
      }));
      session.edit(`Make the pictures of ${name}`, [...changes, ...parts]);
    }, complain);
  };
  return (
    <Button variant="default" onClick={make}>
      Make a pair of pictures in its colour
    </Button>
  );
}

function MapColour({ fluid, edits: { put, name } }: StationProps) {
  const mod = useMod();
  const { mapColour } = fluid;
  const usual = fluidColour(mod, { ...fluid, mapColour: undefined });
  return (
    <Field
      label="Map colour"
      note={
        mapColour !== undefined && (
          <button
            type="button"
            className="link plain"
            onClick={() => put(`Map colour of ${name}`, 'mapColour', undefined)}
          >
            Take the mean of its picture, {usual}
          </button>
        )
      }
      value={
        <ColorInput
          aria-label="Map colour"
          withEyeDropper={false}
          w={120}
          value={mapColour ?? usual}
          onChangeEnd={(value) =>
            colourFromHex(value) && put(`Map colour of ${name}`, 'mapColour', value.toLowerCase())
          }
        />
      }
    />
  );
}
