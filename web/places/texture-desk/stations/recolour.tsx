import { Switch, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import { heldUnder } from '../../../../core/lists/index.ts';
import { greyed, noShift, type ColourShift } from '../../../../core/textures/facts/index.ts';
import { isSamePicture } from '../../../../core/textures/painting/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { usePictureWork } from '../../../api/picture-work.ts';
import { useGrowing } from '../../../parts/use-growing.ts';
import { keyOfMaterial, useCopies, useTones } from '../recolouring.ts';
import { usePainting } from '../painting-state.ts';
import { MaterialTones } from './material-tones.tsx';
import { Thumb } from '../thumb.tsx';
import { SliderLine } from './slider-line.tsx';
import styles from './recolour.module.css';
import touchUp from './touch-up.module.css';

/** The picture in other colours: moved as one likes, or in the tones of others of the mod. */
export function RecolourStation() {
  const { saved, preview, change, name } = usePainting();
  const [shift, setShift] = useState<ColourShift>(noShift);
  const [like, setLike] = useState<readonly string[]>([]);
  const [greysStay, setGreysStay] = useState(false);
  const others = useTones(like);
  const asked = useMemo(
    () => saved && { pixels: saved, ways: [{ tones: others[0], greysStay, shift }] },
    [saved, others, greysStay, shift],
  );
  const { answer: [made] = [], isNew } = usePictureWork('recolour', asked);
  const isOther = made !== undefined && saved !== undefined && !isSamePicture(made, saved);
  const takeOn = (key: string) =>
    setLike(like.includes(key) ? like.filter((other) => other !== key) : [...like, key]);
  useEffect(() => {
    preview(isOther ? made : undefined);
  }, [preview, made, isOther]);
  useEffect(() => () => preview(undefined), [preview]);
  const back = () => {
    setShift(noShift);
    setLike([]);
  };
  const { make, makeAll, done, stop } = useCopies(name, back);
  const inPlace = () => {
    if (!made || !isNew) return;
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
      <Others name={name} like={like} onTake={takeOn} />
      <MaterialTones
        label="Materials to take tones from"
        isChosen={(material) => like.includes(keyOfMaterial(material))}
        onChoose={(material) => takeOn(keyOfMaterial(material))}
      />
      <div className={touchUp['verbs']}>
        {like.length < 2 && (
          <button
            type="button"
            className="chip"
            disabled={!isOther}
            title={isOther ? undefined : 'Nothing is coloured otherwise yet'}
            onClick={inPlace}
          >
            Recolour it
          </button>
        )}
        {like.length < 2 && (
          <button
            type="button"
            className="chip"
            disabled={!isOther || !isNew}
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
              done === undefined
                ? makeAll(
                    saved,
                    others.map((tones, i) => ({ like: like[i], way: { tones, greysStay, shift } })),
                  )
                : stop()
            }
          >
            {done === undefined
              ? `Make ${count(like.length, 'picture')}`
              : `${done} of ${count(like.length, 'picture')}: stop`}
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
        <SliderLine
          key={part}
          {...{ title, min, max, step }}
          value={shift[part]}
          onChange={(value) => onShift({ ...shift, [part]: value })}
        >
          <span className="mono">{shown(shift[part])}</span>
        </SliderLine>
      ))}
    </div>
  );
}

interface OthersProps {
  name: string;
  like: readonly string[];
  onTake: (name: string) => void;
}

/** The mod's other pictures, to take tones from. */
function Others({ name, like, onTake }: OthersProps) {
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
              onClick={() => onTake(one)}
            >
              <Thumb texture={heldUnder(textures, one)} />
            </button>
          );
        })}
      </div>
    </>
  );
}
