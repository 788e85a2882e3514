import { Slider, Switch, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import { pointer } from '../../../../core/json/index.ts';
import { freeName, heldUnder } from '../../../../core/lists/index.ts';
import {
  greyed,
  inTones,
  isColourful,
  noShift,
  shiftColours,
  tonesOf,
  type ColourShift,
} from '../../../../core/textures/facts/index.ts';
import { encodePicture, type Pixels } from '../../../../core/textures/index.ts';
import { isSamePicture } from '../../../../core/textures/painting/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { uploadPicture } from '../../../api/textures.ts';
import { useGrowing } from '../../../parts/use-growing.ts';
import { readPixels } from '../known-pixels.ts';
import { usePainting } from '../painting-state.ts';
import { Thumb } from '../thumb.tsx';
import styles from './recolour.module.css';
import { complain } from '../../../parts/complain.ts';
import touchUp from './touch-up.module.css';

/** So many tones of another picture are gone by. */
const mostTones = 24;

/** The picture in other colours: moved as one likes, or in the tones of others of the mod. */
export function RecolourStation() {
  const { saved, preview, change, name } = usePainting();
  const [shift, setShift] = useState<ColourShift>(noShift);
  const [like, setLike] = useState<readonly string[]>([]);
  const [greysStay, setGreysStay] = useState(false);
  const others = useOthers(like);
  const made = useMemo(
    () => saved && recoloured(saved, { like: others[0], greysStay, shift }),
    [saved, others, greysStay, shift],
  );
  const isOther = made !== undefined && saved !== undefined && !isSamePicture(made, saved);
  useEffect(() => {
    preview(isOther ? made : undefined);
  }, [preview, made, isOther]);
  useEffect(() => () => preview(undefined), [preview]);
  const back = () => {
    setShift(noShift);
    setLike([]);
  };
  const make = useMaking(name, back);
  const inPlace = () => {
    if (!made) return;
    change('Recolour', () => made);
    back();
  };
  return (
    <>
      <h2>Moved</h2>
      <Shifting shift={shift} onShift={setShift} />
      <h3 className="part">In the tones of another</h3>
      <p className="note">
        Its darkest becomes their darkest, its lightest their lightest. Choose several to make a
        picture like each.
      </p>
      <Switch
        label="Greys stay: the stone around an ore"
        checked={greysStay}
        onChange={(event) => setGreysStay(event.currentTarget.checked)}
        mb={8}
      />
      <Others name={name} like={like} onLike={setLike} />
      <div className={touchUp['verbs']}>
        {like.length < 2 && (
          <button type="button" className="chip" disabled={!isOther} onClick={inPlace}>
            Recolour it
          </button>
        )}
        {like.length < 2 && (
          <button
            type="button"
            className="chip"
            disabled={!isOther}
            onClick={() => made && make([{ like: like[0], pixels: made }])}
          >
            As a new picture
          </button>
        )}
        {like.length > 1 && saved && others.length === like.length && (
          <button
            type="button"
            className="chip"
            onClick={() =>
              make(
                others.map((other, i) => ({
                  like: like[i],
                  pixels: recoloured(saved, { like: other, greysStay, shift }),
                })),
              )
            }
          >
            Make {count(like.length, 'picture')}
          </button>
        )}
        <button type="button" className="chip" onClick={() => change('Grey', greyed)}>
          Grey, for a tint
        </button>
        {(isOther || like.length > 0) && (
          <button type="button" className="link plain" onClick={back}>
            as it was
          </button>
        )}
      </div>
    </>
  );
}

interface Recolouring {
  /** The picture whose tones it takes on. */
  like: Pixels | undefined;
  greysStay: boolean;
  shift: ColourShift;
}

function recoloured(pixels: Pixels, { like, greysStay, shift }: Recolouring): Pixels {
  const tones = like ? tonesOf(like, mostTones) : [];
  return shiftColours(inTones(pixels, tones, greysStay ? isColourful : undefined), shift);
}

const sliders = [
  { part: 'hue', title: 'Hue', min: -180, max: 180, step: 1, shown: (v: number) => `${v}°` },
  {
    part: 'lightness',
    title: 'Light',
    min: -0.5,
    max: 0.5,
    step: 0.01,
    shown: (v: number) => `${Math.round(v * 100)} %`,
  },
  {
    part: 'chroma',
    title: 'Colour',
    min: 0,
    max: 2,
    step: 0.02,
    shown: (v: number) => `× ${v.toFixed(1)}`,
  },
] as const;

interface ShiftingProps {
  shift: ColourShift;
  onShift: (shift: ColourShift) => void;
}

function Shifting({ shift, onShift }: ShiftingProps) {
  return (
    <div className={styles['sliders']}>
      {sliders.map(({ part, title, min, max, step, shown }) => (
        <label key={part} className={touchUp['line']}>
          <span>{title}</span>
          <Slider
            {...{ min, max, step }}
            value={shift[part]}
            label={null}
            thumbLabel={title}
            onChange={(value) => onShift({ ...shift, [part]: value })}
          />
          <span className="mono">{shown(shift[part])}</span>
        </label>
      ))}
    </div>
  );
}

interface OthersProps {
  name: string;
  like: readonly string[];
  onLike: (like: readonly string[]) => void;
}

/** The mod's other pictures, to take tones from. */
function Others({ name, like, onLike }: OthersProps) {
  const textures = useModPart((mod) => mod.textures);
  const [filter, setFilter] = useState('');
  const names = Object.keys(textures)
    .filter((one) => one !== name && one.includes(filter.trim().toLowerCase()))
    .sort();
  const shown = useGrowing(60, 40, names.length);
  return (
    <>
      <TextInput
        placeholder="Filter pictures"
        aria-label="Filter pictures to take tones from"
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <div className={styles['others']} role="group" aria-label="Pictures to take tones from">
        {names.slice(0, shown).map((one) => {
          const isOn = like.includes(one);
          return (
            <button
              key={one}
              type="button"
              title={one}
              aria-label={one}
              aria-pressed={isOn}
              className={clsx(isOn && styles['on'])}
              onClick={() => onLike(isOn ? like.filter((other) => other !== one) : [...like, one])}
            >
              <Thumb texture={heldUnder(textures, one)} />
            </button>
          );
        })}
      </div>
    </>
  );
}

/** The pixels of other textures, as soon as they have been read. */
function useOthers(names: readonly string[]): readonly Pixels[] {
  const textures = useModPart((mod) => mod.textures);
  const key = names.map((name) => textures[name]?.picture.sha256 ?? '').join(' ');
  const [read, setRead] = useState<{ key: string; pixels: readonly Pixels[] }>();
  useEffect(() => {
    let isWanted = true;
    const all = key.split(' ').filter(Boolean).map(readPixels);
    Promise.all(all).then((pixels) => isWanted && setRead({ key, pixels }), complain);
    return () => {
      isWanted = false;
    };
  }, [key]);
  return read?.key === key ? read.pixels : none;
}

const none: readonly Pixels[] = [];

interface Made {
  /** The texture whose tones it has. */
  like: string | undefined;
  pixels: Pixels;
}

/** Makes pictures of the one on the desk, each a texture of its own, all in one step. */
function useMaking(name: string, onDone: () => void): (made: readonly Made[]) => void {
  const session = useSession();
  const makeAll = async (made: readonly Made[]) => {
    const pictures = await Promise.all(
      made.map(({ pixels }) => uploadPicture(encodePicture(pixels))),
    );
    const { textures } = session.view.mod;
    const taken = Object.keys(textures);
    const named = made.map(({ like }) => {
      const own = freeName(nameLike(name, like), taken);
      taken.push(own);
      return own;
    });
    const original = textures[name];
    session.edit(
      made.length === 1 ? `Make the texture ${named[0]}` : `Make ${made.length} textures`,
      named.map((own, i) => ({
        path: pointer(['textures', own]),
        after: { ...original, picture: pictures[i] },
      })),
    );
    notifications.show({ message: `Made: ${named.join(', ')}. Nobody shows them yet.` });
    onDone();
  };
  return (made) => void makeAll(made).catch(complain);
}

/** `seam/brack` in the tones of `item/ebbite_bar` is `seam/brack_ebbite_bar`. */
const nameLike = (name: string, like: string | undefined): string =>
  like === undefined ? `${name}_copy` : `${name}_${like.slice(like.lastIndexOf('/') + 1)}`;
