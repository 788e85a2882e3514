import { Slider, TextInput } from '@mantine/core';
import { useState } from 'react';
import {
  asMixed,
  colourFromHex,
  fromMixed,
  hexOf,
  mostChroma,
  type Mixed,
} from '../../../../core/textures/facts/index.ts';
import type { Colour } from '../../../../core/textures/painting/index.ts';
import styles from './touch-up.module.css';

const parts = [
  { part: 'lightness', title: 'Light', max: 1, step: 0.01 },
  { part: 'chroma', title: 'Colour', max: mostChroma, step: 0.002 },
  { part: 'hue', title: 'Hue', max: 360, step: 1 },
] as const;

interface MixingProps {
  colour: Colour;
  onColour: (colour: Colour) => void;
}

/** A colour, mixed by how light, how colourful and which hue it is. */
export function Mixing({ colour: now, onColour }: MixingProps) {
  const [typed, setTyped] = useState<string>();
  // Grey has no hue: the one that it came from is kept while one mixes.
  const [kept, setKept] = useState<Mixed>();
  const own = asMixed(now);
  const mixed = kept && hexOf(fromMixed(kept)) === hexOf(now) ? kept : own;
  const set = (part: Partial<Mixed>) => {
    const next = { ...mixed, ...part };
    setKept(next);
    onColour(fromMixed(next));
  };
  const hex = hexOf(now);
  const isWrong = typed !== undefined && !colourFromHex(typed);
  return (
    <div className={styles['mixing']}>
      <span className={styles['swatch']} style={{ background: hex }} />
      <TextInput
        aria-label="Colour as six digits"
        classNames={{ input: 'mono' }}
        value={typed ?? hex}
        error={isWrong ? 'Six hexadecimal digits, such as #8a6d4b.' : undefined}
        onChange={(event) => {
          const text = event.currentTarget.value;
          setTyped(text);
          const colour = colourFromHex(text);
          if (colour) onColour(colour);
        }}
        onBlur={() => setTyped(undefined)}
      />
      {parts.map(({ part, title, max, step }) => (
        <label key={part} className={styles['line']}>
          <span>{title}</span>
          <span className={styles['track']} style={{ background: rampOf(mixed, part, max) }}>
            <Slider
              min={0}
              max={max}
              step={step}
              value={mixed[part]}
              label={null}
              thumbLabel={title}
              onChange={(value) => set({ [part]: value })}
            />
          </span>
          <span className="mono">
            {part === 'hue' ? Math.round(mixed.hue) : Math.round((mixed[part] / max) * 100)}
          </span>
        </label>
      ))}
    </div>
  );
}

/** What moving one of the sliders would give, from end to end. */
const rampOf = (mixed: Mixed, part: keyof Mixed, max: number): string =>
  `linear-gradient(90deg, ${Array.from({ length: 13 }, (_, i) =>
    hexOf(fromMixed({ ...mixed, [part]: (max * i) / 12 })),
  ).join(', ')})`;
