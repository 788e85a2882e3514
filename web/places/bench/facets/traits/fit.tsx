import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useDeferredValue, useId, useMemo, useState } from 'react';
import { fittedShapes, type FittedShape } from '../../../../../core/models/index.ts';
import type { ResolvedBlock } from '../../../../../core/mod/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import styles from './fit.module.css';

const mostBoxes = 6;

interface FitProps {
  block: ResolvedBlock;
  /** Takes a shape: how many boxes it has, and what they are in each state. */
  onFit: (boxes: number, rows: FittedShape['rows']) => void;
}

/** Offers shapes of few boxes that cover the model, each with how far it is off. */
export function Fit({ block, onFit }: FitProps) {
  const [isOpen, setOpen] = useState(false);
  if (isOpen) return <Fits block={block} onFit={onFit} onClose={() => setOpen(false)} />;
  return (
    <button type="button" className="tiny" onClick={() => setOpen(true)}>
      Fit to the model
    </button>
  );
}

function Fits({ block, onFit, onClose }: FitProps & { onClose: () => void }) {
  // Fitting takes longer than a frame: it follows what is typed when there is time.
  const mod = useDeferredValue(useMod());
  const shown = useDeferredValue(block);
  const fits = useMemo(() => fittedShapes(mod, shown, mostBoxes), [mod, shown]);
  const group = useId();
  const [chosen, setChosen] = useState(0);
  const fit = fits?.[chosen];
  if (!fits) return <p className="note">Its states show it in too many ways to fit them all.</p>;
  if (!fit) return <p className="note">It shows nothing that one could bump into.</p>;
  return (
    <div className={styles['fits']} role="radiogroup" aria-label="Boxes that cover the model">
      {fits.map(({ air }, index) => (
        <label key={index} className={clsx(styles['fit'], index === chosen && styles['chosen'])}>
          <input
            type="radio"
            name={group}
            checked={index === chosen}
            onChange={() => setChosen(index)}
          />
          <span>{count(index + 1, 'box', 'boxes')}</span>
          <span className={styles['scale']}>
            <u style={{ width: `${air * 100}%` }} />
          </span>
          <span className={styles['air']}>{percent(air)} air</span>
        </label>
      ))}
      <p className="note">{inWords(fits, chosen)}</p>
      <div className={styles['acts']}>
        <Button onClick={() => onFit(chosen + 1, fit.rows)}>
          Use {count(chosen + 1, 'box', 'boxes')}
        </Button>
        <button type="button" className="tiny" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** How far one bumps into air, and what one box more would take away. */
function inWords(fits: readonly FittedShape[], chosen: number): string {
  const { air = 0, deepest = 0 } = fits[chosen] ?? {};
  const next = fits[chosen + 1];
  if (air < 0.005) return 'It is the model itself.';
  const deep = `One bumps into air at most ${deepest.toFixed(1)} texels from the model.`;
  if (!next) return deep;
  return `${deep} One box more would take ${percent(air - next.air)} away.`;
}
