import clsx from 'clsx';
import { useMemo } from 'react';
import { hexOf, tonesOf } from '../../../core/textures/facts/index.ts';
import {
  isSameColour,
  paintingTools,
  type PaintingTool,
} from '../../../core/textures/painting/index.ts';
import type { Pixels } from '../../../core/textures/index.ts';
import { capsOf, type KeyName } from '../../parts/keys/table.ts';
import { usePainting } from './painting-state.ts';
import styles from './tools-strip.module.css';

/** The verbs of touching up, each with its key. */
export const toolFacts: Record<PaintingTool, { title: string; key: KeyName; does: string }> = {
  draw: { title: 'Draw', key: 'drawTool', does: 'Texel by texel, along the pointer.' },
  line: {
    title: 'Line',
    key: 'lineTool',
    does: 'Straight from where you press to where you let go.',
  },
  rectangle: { title: 'Rectangle', key: 'rectangleTool', does: 'From corner to corner.' },
  fill: { title: 'Fill', key: 'fillTool', does: 'What has one colour and hangs together.' },
  change: { title: 'Change', key: 'replaceTool', does: 'One colour, wherever it is on the frame.' },
  alpha: { title: 'Alpha', key: 'alphaTool', does: 'How solid texels are; their colour stays.' },
  pick: { title: 'Pick', key: 'pickTool', does: 'Take a colour up from the picture or the block.' },
  move: { title: 'Move', key: 'moveTool', does: 'Mark a part, then drag it elsewhere.' },
};

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
