import clsx from 'clsx';
import { mostFlashes } from '../../../core/textures/frames/index.ts';
import { count } from '../../../core/words/index.ts';
import { Frame } from './flat-picture.tsx';
import type { Frames } from './frames-state.ts';
import styles from './strip-row.module.css';

/** One frame takes so much room, in CSS pixels. */
const [frameWidth, pulseHeight] = [58, 34];

interface StripRowProps {
  frames: Frames;
  flashes: number;
}

/** The frames in the order in which they show, their ticks under them, the pulse of light above. */
export function StripRow({ frames, flashes }: StripRowProps) {
  const { runs, pictures, strip, chosen, choose } = frames;
  return (
    <div className={styles['row']}>
      <div style={{ width: runs.length * frameWidth }}>
        <Pulse frames={frames} isTooQuick={flashes > mostFlashes} />
        <ol className={styles['frames']} aria-label="Frames in the order in which they show">
          {runs.map(({ frame, ticks }, i) => {
            const picture = pictures[frame];
            return (
              <li key={i}>
                <button
                  type="button"
                  className={clsx(i === chosen && styles['on'])}
                  aria-pressed={i === chosen}
                  aria-label={`Frame ${frame + 1}, ${count(ticks, 'tick')}`}
                  onClick={() => choose(i)}
                >
                  {picture && (
                    <Frame
                      pixels={picture}
                      area={{ left: 0, top: 0, width: picture.width, height: picture.height }}
                    />
                  )}
                </button>
                <span className="mono">{strip ? ticks : 'still'}</span>
              </li>
            );
          })}
        </ol>
      </div>
    </div>
  );
}

/** How light the strip is, frame by frame. */
function Pulse({ frames: { runs, lights }, isTooQuick }: { frames: Frames; isTooQuick: boolean }) {
  const all = runs.map(({ frame }) => lights[frame] ?? 0);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  // At least a tenth of all light fills the height: what is smaller is no flash.
  const span = Math.max(0.1, high - low);
  const heightOf = (light: number) => pulseHeight - 4 - ((light - low) / span) * (pulseHeight - 8);
  const points = all.flatMap((light, i) => {
    const y = heightOf(light).toFixed(1);
    return [`${i * frameWidth},${y}`, `${(i + 1) * frameWidth},${y}`];
  });
  return (
    <svg
      className={clsx(styles['pulse'], isTooQuick && styles['quick'])}
      width={all.length * frameWidth}
      height={pulseHeight}
      role="img"
      aria-label={`How light the frames are: from ${percent(low)} to ${percent(high)}`}
    >
      <polyline points={points.join(' ')} />
    </svg>
  );
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;
