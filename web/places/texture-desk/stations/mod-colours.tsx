import { useMemo } from 'react';
import { colourFromHex, hexOf, toOklab } from '../../../../core/textures/facts/index.ts';
import type { Colour } from '../../../../core/textures/painting/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import styles from './touch-up.module.css';

/** So many colours of the mod are shown. */
const most = 28;

interface ModColoursProps {
  colour: Colour;
  onColour: (colour: Colour) => void;
}

/** The palette of the mod: the mean colours of its pictures, from dark to light. */
export function ModColours({ colour: now, onColour }: ModColoursProps) {
  const textures = useModPart((mod) => mod.textures);
  const colours = useMemo(() => {
    const means = new Set(Object.values(textures).map(({ picture }) => picture.mean));
    const all = [...means].map(colourFromHex).filter((colour) => colour !== undefined);
    const sorted = all.sort((a, b) => toOklab(a)[0] - toOklab(b)[0]);
    // Of many, some evenly from dark to light.
    const step = Math.max(1, sorted.length / most);
    return sorted.filter((_, i) => i === 0 || Math.floor(i / step) > Math.floor((i - 1) / step));
  }, [textures]);
  return (
    <div className={styles['palette']} role="group" aria-label="Colours of the mod">
      {colours.map((colour) => {
        const hex = hexOf(colour);
        return (
          <button
            key={hex}
            type="button"
            title={hex}
            aria-label={hex}
            aria-pressed={hex === hexOf(now)}
            style={{ background: hex }}
            onClick={() => onColour(colour)}
          />
        );
      })}
    </div>
  );
}
