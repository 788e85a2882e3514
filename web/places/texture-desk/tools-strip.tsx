import clsx from 'clsx';
import { useMemo } from 'react';
import { hexOf, tonesOf } from '../../../core/textures/facts/index.ts';
import { isSameColour, paintingTools } from '../../../core/textures/painting/index.ts';
import type { Pixels } from '../../../core/textures/index.ts';
import { capsOf } from '../../parts/keys/table.ts';
import { usePainting } from './painting-state.ts';
import { toolFacts } from './tools.ts';
import styles from './tools-strip.module.css';

/** So many tones the ramp has at most. */
const mostTones = 20;

/** The tones of a picture from dark to light. */
export const useTones = (pixels: Pixels | undefined) =>
  useMemo(() => (pixels ? tonesOf(pixels, mostTones) : []), [pixels]);

/** Verbs in a row, and the ramp of the picture's tones to paint with. */
export function ToolsStrip({ tones }: { tones: ReturnType<typeof useTones> }) {
  const { ways, setWays } = usePainting();
  return (
    <div className={styles['strip']}>
      <div className={styles['verbs']} role="radiogroup" aria-label="Tool">
        {paintingTools.map((tool) => (
          <button
            key={tool}
            type="button"
            role="radio"
            aria-checked={ways.tool === tool}
            title={toolFacts[tool].does}
            onClick={() => setWays({ tool })}
          >
            {toolFacts[tool].title} <kbd aria-hidden="true">{capsOf(toolFacts[tool].key)[0]}</kbd>
          </button>
        ))}
      </div>
      <div className={styles['ramp']} role="group" aria-label="Tones of the picture">
        <i className={styles['now']} style={{ background: hexOf(ways.colour) }} />
        {tones.map(({ colour, many }) => (
          <button
            key={colour.join()}
            type="button"
            className={clsx(isSameColour(colour, ways.colour) && styles['on'])}
            style={{ background: hexOf(colour) }}
            aria-label={hexOf(colour)}
            aria-pressed={isSameColour(colour, ways.colour)}
            title={`${hexOf(colour)}, on ${many} texels`}
            onClick={() => setWays({ colour })}
          />
        ))}
      </div>
    </div>
  );
}
