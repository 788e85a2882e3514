import { useMemo, useState } from 'react';
import { wallTextures } from '../../../../core/models/index.ts';
import { heldUnder } from '../../../../core/lists/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Frame } from '../flat-picture.tsx';
import { usePainting } from '../painting-state.ts';
import { Thumb } from '../thumb.tsx';
import styles from './facts.module.css';
import type { PictureProps } from './facts.tsx';

/** So many cells the wall has, across and in all. */
const [across, cells] = [7, 28];
/** So many others stand in it at a time. */
const othersShown = 3;

/** The picture in a wall among others of the mod that walls are made of. */
export function Neighbours({ pixels, area }: PictureProps) {
  const mod = useMod();
  const { name } = usePainting();
  const others = useMemo(() => wallTextures(mod).filter((other) => other !== name), [mod, name]);
  const [first, setFirst] = useState(0);
  const chosen = Array.from(
    { length: Math.min(othersShown, others.length) },
    (_, i) => others[(first + i) % others.length] ?? '',
  );
  return (
    <>
      <div className={styles['wall']} role="img" aria-label={`A wall with ${chosen.join(', ')}`}>
        {Array.from({ length: cells }, (_, i) => {
          const other = chosen[otherAt(i, chosen.length)];
          return (
            <span key={i}>
              {other === undefined ? (
                <Frame pixels={pixels} area={area} />
              ) : (
                <Thumb texture={heldUnder(mod.textures, other)} />
              )}
            </span>
          );
        })}
      </div>
      <p className="note">
        {chosen.length ? `With ${chosen.join(', ')}.` : 'The mod has no other blocks for a wall.'}{' '}
        {others.length > othersShown && (
          <button
            type="button"
            className="link plain"
            onClick={() => setFirst((first + othersShown) % others.length)}
          >
            others
          </button>
        )}
      </p>
    </>
  );
}

/** Which of the others stands in a cell; -1 where the picture itself does, in every other one. */
function otherAt(cell: number, many: number): number {
  const [x, y] = [cell % across, Math.floor(cell / across)];
  return (x + y) % 2 === 0 || many === 0 ? -1 : ((x + y * 3) >> 1) % many;
}
