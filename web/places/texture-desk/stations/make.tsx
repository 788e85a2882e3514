import clsx from 'clsx';
import { useState } from 'react';
import { idOf, patternNames, type Made } from '../../../../core/mod/index.ts';
import { colourFromHex, hexOf } from '../../../../core/textures/facts/index.ts';
import {
  amountIn,
  amountsOf,
  finishes,
  patterns,
  type Amount,
} from '../../../../core/textures/making/index.ts';
import { isSamePicture } from '../../../../core/textures/painting/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { Toggles } from '../../../parts/toggles.tsx';
import { useMaking, type Making } from '../making-state.ts';
import { usePainting } from '../painting-state.ts';
import { MaterialTones, materialTones } from './material-tones.tsx';
import { Mixing } from './mixing.tsx';
import { SliderLine } from './slider-line.tsx';
import { PatternThumb } from './pattern-thumb.tsx';
import styles from './make.module.css';
import touchUp from './touch-up.module.css';

/** Why nothing can be kept. */
const noOther = 'Nothing is other than it is';

/** Seeds go up to this one. */
const lastSeed = 999_999;
/** So many tones a made picture has at least and at most. */
const [fewestTones, mostTones] = [2, 12];

/** The picture made from a pattern, tones and a seed; the recipe stays with it. */
export function MakeStation() {
  const painting = usePainting();
  const making = useMaking(painting);
  const { recipe } = making;
  return (
    <>
      <h2>{recipe ? patterns[recipe.pattern].title : 'From a pattern'}</h2>
      <p className="note">{saidOf(making, painting.saved, painting.texture.made)}</p>
      <div className={styles['patterns']} role="group" aria-label="Patterns">
        {patternNames.map((name) => (
          <button
            key={name}
            type="button"
            title={patterns[name].says}
            aria-pressed={recipe?.pattern === name}
            className={clsx(recipe?.pattern === name && styles['on'])}
            onClick={() => making.choose(name)}
          >
            <PatternThumb name={name} />
            {patterns[name].title}
          </button>
        ))}
      </div>
      {recipe && <Recipe making={making} recipe={recipe} />}
    </>
  );
}

/** What the station says of the picture as it is. */
function saidOf(
  { recipe, pixels, isOther }: Making,
  saved: Parameters<typeof isSamePicture>[0] | undefined,
  kept: Made | undefined,
): string {
  if (!recipe) return 'This picture was drawn. Choose a pattern to see what would stand here.';
  const says = patterns[recipe.pattern].says;
  if (!kept || !isOther || !pixels || !saved) return says;
  return isSamePicture(pixels, saved)
    ? `${says} It is as it was made.`
    : `${says} What was painted over it since is lost when it is made again.`;
}

interface RecipeProps {
  making: Making;
  recipe: Made;
}

/** Everything that one may change of a recipe, and what is done with what it makes. */
function Recipe({ making, recipe }: RecipeProps) {
  const { isOther, keep, asNew, back } = making;
  const all = amountsOf(recipe);
  const isFinish = ({ name }: Amount) => finishes.some((one) => one.name === name);
  return (
    <>
      <div className={clsx(touchUp['verbs'], styles['acts'])}>
        <button
          type="button"
          className="chip"
          disabled={!isOther}
          title={isOther ? undefined : noOther}
          onClick={keep}
        >
          Make it so
        </button>
        <button
          type="button"
          className="chip"
          disabled={!isOther}
          title={isOther ? undefined : noOther}
          onClick={asNew}
        >
          As a new picture
        </button>
        {isOther && (
          <button type="button" className="link plain" onClick={back}>
            as it was
          </button>
        )}
      </div>
      <Amounts making={making} recipe={recipe} amounts={all.filter((one) => !isFinish(one))} />
      {patterns[recipe.pattern].isLaidOn && <On making={making} recipe={recipe} />}
      <Seed making={making} recipe={recipe} />
      <h3 className="part">Tones</h3>
      <Tones making={making} recipe={recipe} />
      <h3 className="part">Finish</h3>
      <Amounts making={making} recipe={recipe} amounts={finishes} />
      <h3 className="part">Texels a side</h3>
      <Sizes making={making} recipe={recipe} />
    </>
  );
}

interface AmountsProps extends RecipeProps {
  amounts: readonly Amount[];
}

function Amounts({ making: { set }, recipe, amounts }: AmountsProps) {
  return (
    <div className={styles['amounts']}>
      {amounts.map((amount) => {
        const { name, title, least, most, step } = amount;
        const value = amountIn(recipe, amount);
        return (
          <SliderLine
            key={name}
            {...{ title, min: least, max: most, step, value }}
            onChange={(next) => set({ amounts: { ...recipe.amounts, [name]: next } })}
          >
            <span className="mono">{shownAmount(amount, value, recipe.texels)}</span>
          </SliderLine>
        );
      })}
    </div>
  );
}

function shownAmount({ most, isLength }: Amount, value: number, texels: number): string {
  if (isLength) return String(Math.round((value * texels) / 16));
  return most === 1 ? `${Math.round(value * 100)} %` : String(value);
}

/** The picture of the mod that it is laid on. */
function On({ making: { set }, recipe }: RecipeProps) {
  const namespace = useModPart(({ header }) => header.namespace);
  const textures = useModPart((mod) => mod.textures);
  const { name: own } = usePainting();
  const names = Object.keys(textures)
    .filter((name) => name !== own)
    .sort();
  return (
    <Choice
      label="Over the picture"
      placeholder="Plain grey"
      data={names.map((name) => ({ value: idOf(namespace, name), label: name }))}
      value={recipe.on ?? null}
      onTake={(on) => set({ on })}
      mb={8}
    />
  );
}

function Seed({ making: { set }, recipe: { seed } }: RecipeProps) {
  return (
    <Field
      label="Seed"
      value={
        <span className={styles['seed']}>
          <NumberField
            label="Seed"
            value={seed}
            least={0}
            most={lastSeed}
            onNumber={(next) => set({ seed: Math.round(next) })}
          />
          <button
            type="button"
            className="chip"
            onClick={() => set({ seed: seed < lastSeed ? seed + 1 : 0 })}
          >
            Another
          </button>
        </span>
      }
    />
  );
}

/** The tones it is made of: each to be mixed, or all of them those of a material. */
function Tones({ making: { set }, recipe: { tones } }: RecipeProps) {
  const [open, setOpen] = useState<number>();
  const colour = open === undefined ? undefined : colourFromHex(tones[open] ?? '');
  return (
    <>
      <div className={styles['tones']} role="group" aria-label="Tones from dark to light">
        {tones.map((tone, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Tone ${i + 1}, ${tone}`}
            aria-pressed={i === open}
            className={clsx(i === open && styles['on'])}
            style={{ background: tone }}
            onClick={() => setOpen(i === open ? undefined : i)}
          />
        ))}
      </div>
      {colour && open !== undefined && (
        <>
          <Mixing
            colour={colour}
            onColour={(next) => set({ tones: tones.with(open, hexOf(next)) })}
          />
          <div className={touchUp['verbs']}>
            <button
              type="button"
              className="chip"
              disabled={tones.length >= mostTones}
              onClick={() => set({ tones: tones.toSpliced(open, 0, tones[open] ?? '') })}
            >
              One more like it
            </button>
            <button
              type="button"
              className="chip"
              disabled={tones.length <= fewestTones}
              onClick={() => {
                set({ tones: tones.toSpliced(open, 1) });
                setOpen(undefined);
              }}
            >
              Take it away
            </button>
          </div>
        </>
      )}
      <p className="note">Or the five of a material:</p>
      <MaterialTones
        label="Tones of a material"
        isChosen={(name) => materialTones(name).join() === tones.join()}
        onChoose={(_, next) => set({ tones: [...next] })}
      />
    </>
  );
}

const sizes = [8, 16, 32, 64, 128] as const;

function Sizes({ making: { set }, recipe: { texels } }: RecipeProps) {
  const usual = useModPart(({ header }) => header.texels);
  const all = [...new Set([...sizes, usual, texels])].sort((a, b) => a - b);
  return (
    <>
      <div className={styles['sizes']}>
        <Toggles
          label="Texels a side"
          toggles={all.map((size) => ({
            label: String(size),
            isOn: size === texels,
            onPress: () => set({ texels: size }),
          }))}
        />
      </div>
      {texels !== usual && <p className="note">A block of this mod has {usual} texels a side.</p>}
    </>
  );
}
