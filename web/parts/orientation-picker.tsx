import clsx from 'clsx';
import { useState } from 'react';
import {
  isOrientation,
  usualTop,
  type Direction,
  type Orientation,
} from '../../core/space/index.ts';
import { Cube } from './cube.tsx';
import styles from './orientation-picker.module.css';

/**
 * Where the front faces and where the top points, picked on a little cube: first the one, then the
 * other. Never in degrees.
 */
export function OrientationPicker({
  orientation,
  onOrientation,
}: {
  orientation: Orientation;
  onOrientation: (orientation: Orientation) => void;
}) {
  const [step, setStep] = useState<'front' | 'top'>('front');
  const { front, top } = orientation;
  const pick = (direction: Direction) => {
    if (step === 'top') {
      onOrientation({ front, top: direction });
      setStep('front');
      return;
    }
    onOrientation({
      front: direction,
      top: isOrientation({ front: direction, top }) ? top : usualTop(direction),
    });
    setStep('top');
  };
  return (
    <div className={styles['picker']}>
      <Cube
        label={step === 'front' ? 'Pick where the front faces' : 'Pick where the top points'}
        onSide={pick}
        height={168}
        disabled={(direction) => step === 'top' && !isOrientation({ front, top: direction })}
        mark={(direction) =>
          direction === front
            ? { as: 'front', says: 'the front' }
            : direction === top
              ? { as: 'top', says: 'the top' }
              : undefined
        }
      />
      <div>
        <button
          type="button"
          className={styles['step']}
          aria-pressed={step === 'front'}
          onClick={() => setStep('front')}
        >
          <i />
          front faces <b>{front}</b>
        </button>
        <button
          type="button"
          className={clsx(styles['step'], styles['top'])}
          aria-pressed={step === 'top'}
          onClick={() => setStep('top')}
        >
          <i />
          top points <b>{top}</b>
        </button>
        <p className="note">
          {step === 'front'
            ? 'Click the side that the front should face.'
            : 'Now the side that the top should point to.'}
        </p>
      </div>
    </div>
  );
}
