import clsx from 'clsx';
import { stocks } from '../../../../core/mod/index.ts';
import { colourFromHex, hexOf, toneRamp } from '../../../../core/textures/facts/index.ts';
import styles from './material-tones.module.css';

/** So many tones a material has. */
const many = 5;

/** The stock materials with their five tones, from dark to light. */
const materials = stocks.flatMap(({ name, title, traits }) => {
  const colour = colourFromHex(traits.mapColour);
  return colour ? [{ name, title, tones: toneRamp(colour, many).map(hexOf) }] : [];
});

/** The five tones of a material, by its name; none where there is no such material. */
export const materialTones = (name: string): readonly string[] =>
  materials.find((material) => material.name === name)?.tones ?? [];

interface MaterialTonesProps {
  label: string;
  isChosen?: (name: string) => boolean;
  onChoose: (name: string, tones: readonly string[]) => void;
}

/** The tones of stock materials, to be taken. */
export function MaterialTones({ label, isChosen = () => false, onChoose }: MaterialTonesProps) {
  return (
    <div className={styles['materials']} role="group" aria-label={label}>
      {materials.map(({ name, title, tones }) => (
        <button
          key={name}
          type="button"
          aria-pressed={isChosen(name)}
          className={clsx(isChosen(name) && styles['on'])}
          onClick={() => onChoose(name, tones)}
        >
          <Ramp tones={tones} />
          {title}
        </button>
      ))}
    </div>
  );
}

/** Tones side by side, from dark to light. */
export const Ramp = ({ tones }: { tones: readonly string[] }) => (
  <span className={styles['ramp']} aria-hidden="true">
    {tones.map((tone, i) => (
      <i key={i} style={{ background: tone }} />
    ))}
  </span>
);
